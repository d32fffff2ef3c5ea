/** Words of the page that checks a package; it goes alone into a file. */

export const checkWords = {
  title: 'Check a package',
  lead: 'Drop a package of a job here, or choose it. It is read on this device and goes nowhere.',
  warning:
    'A page proves nothing about the package that it came with: whoever changes one can change the other. Take this page from somebody else than the package, and compare key and head with those that somebody kept.',
  choose: 'Package (*.hulvek.zip)',
  heads: 'Heads that you kept from before, where you have one (*.json)',
  fingerprint: 'Fingerprint of the key that you were told, where you were',
  drop: 'Drop it here',
  reading: (share: string) => `Reading … ${share}`,
  sound: 'Nothing in it was changed since it was signed.',
  unsound: 'It is not as it was signed.',
  refused: (name: string, why: string) => `${name}: ${why}.`,
  keyIs: (fingerprint: string) => `Signed by the key ${fingerprint}.`,
  keyRight: 'That is the key that you were told.',
  keyOther: 'That is another key than you were told: whoever made this package is not who you think.',
  keyUntold:
    'Whether that is the key you think of, this page cannot know: compare it with one that you were told.',
  noHead: (name: string) => `${name} has no signed head in it; it was left out.`,
};
