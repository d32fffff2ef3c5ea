/** Words of the notices to whoever comes later. */
export const noticesWords = {
  lead: 'What those who come after you must not cut, nail, fill or cover, read off the walls as they are planned. Makers’ instructions and local rules go before.',
  views: 'Shown as',
  viewNames: { trades: 'by trade', signs: 'signs for the openings' },
  print: 'Print',
  working: 'The openings are being read …',
  none: 'No opening is planned yet. Choose wall, unit and method for the first.',
  stop: 'Before you cut, nail or seal here: read this, and ask us.',
};
