/** Words of packages that come in. */

export const packagesWords = {
  title: 'Bring in a package',
  file: 'Package (*.hulvek.zip)',
  send: 'Look at it',
  sending: (name: string) => `${name} is being sent …`,
  broke: 'The line broke. What has come is kept; press again and it goes on.',
  tooLarge: 'The file is larger than 4 GiB.',
  refused: (name: string, why: string) => `${name}: ${why}.`,
  notTaken: (name: string) => `Nothing of ${name} was taken. Nothing was changed.`,
  changedMeanwhile: 'it is another one than was looked at',
  noJobFile:
    'There is no job file in it: it was sent without names. It can be checked, and not be brought in.',
  noPicture: (path: string) => `${path} is not the picture that its entry names`,
  notKeeper: 'Only whoever keeps the shelf of an installation can restore it.',
  noRows: 'It was not made to restore from: choose that where it is made.',
  otherKey:
    'It is signed by another key than this installation’s, and the fingerprint that you typed is not that of its key. Ask whoever sent it for theirs.',
  notEmpty: 'there are jobs here already: only an empty installation is restored',
  rowsUnfit: (why: string) => `Its rows do not fit this version of Hulvek: ${why}`,
  otherJob: (table: string) => `there are rows of another job in ${table}`,
  looked: 'What is in it',
  of: (name: string, at: string) => `“${name}”, handed out ${at}`,
  counts: (entries: number, pictures: number, files: number) =>
    `${entries} entries, ${pictures} pictures, ${files} files: each is what the package’s own key signed.`,
  own: 'Signed by this installation’s own key.',
  other:
    'Signed by another installation’s key. That key lies in the package too: only a fingerprint that you were told another way says whose it is.',
  unsound: 'It does not fit, so nothing of it can be taken:',
  fingerprint: 'Fingerprint that you were told',
  restore: 'Restore this installation from it',
  restoreNote:
    'Everything comes back as it was, byte for byte: plans, figures, entries, pictures, people. Their passwords are not in it: each needs a link for a new one. Links that were handed out no longer hold.',
  bring: 'Bring the job in',
  bringNote:
    'You become its owner. Its records stand as brought by you, under the names in the file; its own log is kept beside them as it came.',
};
