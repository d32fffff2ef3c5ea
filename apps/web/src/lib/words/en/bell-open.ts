/** Words round the bell; what each notice says is fetched when there is one. */

export const bellWords = {
  open: (unread: number) => (unread === 0 ? 'What happened' : `What happened: ${unread} unread`),
  title: 'What happened to your openings',
  none: 'Nothing in the last three weeks.',
  refused: (n: number) =>
    n === 1
      ? 'One thing entered on this device was refused. It stands on the page of its job.'
      : `${n} things entered on this device were refused. They stand on the pages of their jobs.`,
  close: 'Close',
};
