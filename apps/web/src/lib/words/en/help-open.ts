/** Words round the help of a page; what each says itself is fetched when somebody asks. */

export const helpWords = {
  open: 'Help for this page',
  title: 'What this page is for',
  todo: 'Three things to do here',
  keys: 'Keys',
  words: 'Words of the work',
  close: 'Close',
};
