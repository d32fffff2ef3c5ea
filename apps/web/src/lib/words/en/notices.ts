/** Words of the notices to whoever comes later. */
export const noticesWords = {
  lead: 'What those who come after you must not cut, nail, fill or cover, read off the walls as they are planned. Makers’ instructions and local rules go before.',
  views: 'Shown as',
  viewNames: { trades: 'by trade', signs: 'signs for the openings' },
  print: 'Print',
  pdf: 'As a PDF',
  working: 'The openings are being read …',
  none: 'No opening is planned yet. Choose wall, unit and method for the first.',
  stop: 'Before you cut, nail or seal here: read this, and ask us.',
};

/** Notices handed out by link. */
export const toldWords = {
  title: 'What must stay as it is',
  caution:
    'Local rules and the makers’ instructions go before this. It was written when the link was made; ask on site whether it still holds.',
  name: 'Your name, two letters at least',
  read: 'I have read this',
  means:
    'Your name is kept as it is typed, with the time, as said by this link. Nobody checks it, and it is no look at the work.',
  said: (name: string) => `Written down as said by ${name}. You may close this page.`,
  gone: 'This link holds no more, or never did. Ask whoever gave it to you for a new one.',
  handOut: 'Handed out by link',
  lead: 'A link tells one trade what stands above, as it is today. Whoever opens it may type a name to say that it was read.',
  make: (to: string) => `Link for ${to}`,
  label: (to: string) => `what ${to} must know`,
  open: 'Links that hold',
  link: (to: string, until: string) => `${to}, until ${until}`,
  end: 'End it',
  acknowledged: 'Said to have been read',
  nobody: 'Nobody said so yet.',
  saidBy: (to: string, name: string, at: string) => `${to}: said to be ${name} by link, ${at}`,
  codes: 'Codes on the signs',
  coded:
    'Each sign has its code now: it leads to the same lines, without names, and to nothing that can be pressed.',
  code: (mark: string) => `the notice of ${mark}`,
};
