/** Words of a link that is passed on. */

export const linkWords = {
  copy: 'Copy the link',
  copied: 'Copied.',
  notCopied: 'It could not be copied here: choose its text and copy it yourself.',
  print: 'Print its code',
  code: (label: string) => `Code to scan: ${label}`,
  loopback:
    'There is no code of it: this address is this machine’s own, and nobody else can open it. Start Hulvek with ./hulvek start --https, or set its address as docs/operating.md says.',
};
