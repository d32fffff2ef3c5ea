/** Words of what waits on this device, and of being without a network. */

export const offlineWords = {
  waiting: (n: number) => (n === 1 ? '1 entry waits on this device.' : `${n} entries wait on this device.`),
  waits: 'not sent yet',
  lines: {
    idle: '',
    sending: 'Sending …',
    'no-network': 'No network. They are kept here, also when the browser is closed, and sent by themselves.',
    'signed-out': 'You are signed out. Sign in, and they are sent.',
    'not-kept': 'This device has no room to write them down. Keep this page open until they are sent.',
  },
  sendNow: 'Send now',
  otherLog: (seq: number, head: string, at: string) =>
    `The log of this job is not the one that this device saw on ${at} (receipt ${seq}, head ${head}…). It was cut off, put back from an older back-up, or changed. Tell whoever keeps it.`,
  acceptLog: 'I have told them: go on with this log',
  ofOthers: (n: number, names: string) =>
    `${n === 1 ? '1 entry' : `${n} entries`} of ${names} wait here until that person signs in on this device.`,
  refused: (n: number) =>
    n === 1 ? '1 entry was not taken by the server' : `${n} entries were not taken by the server`,
  retry: 'Send again',
  discard: 'Set aside',
  askDiscard: (what: string) => `Set “${what}” aside for good? It is on no other device.`,
  needsNetwork: 'The server did not answer. This change needs it; try again with a network.',
  notHere: 'There is no network, and this job is not on this device. Open it once with a network.',
  here: 'No network. These jobs are on this device:',
  unsentAtSignOut: (n: number) =>
    `${n === 1 ? '1 entry is' : `${n} entries are`} on this device only. They stay here and are sent when you sign in again. Sign out now?`,
};

const megabytes = (bytes: number): string => {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
};

/** What is kept on this device for days without a network. */
export const keptWords = {
  title: 'Kept on this device',
  lead: 'Jobs kept here open, are measured and installed without a network. All of yours are kept by themselves; free those you do not need.',
  waiting: (n: number) =>
    n === 0
      ? 'Nothing waits to be sent.'
      : n === 1
        ? 'One thing waits to be sent.'
        : `${n} things wait to be sent.`,
  room: (used: number, of: number) =>
    `${megabytes(used)} of ${megabytes(of)} that the browser gives are used.`,
  scarce:
    'Little is left: free a job, or what is entered may not be kept. Nothing that waits is ever cleared.',
  is: (bytes: number, at: string) => `${megabytes(bytes)}, as of ${at}`,
  not: 'not kept here',
  keep: 'Keep it here',
  free: 'Free its room',
  ask: 'Ask the browser never to clear it',
  forGood: 'The browser keeps it until you clear it.',
  notForGood:
    'The browser may clear it when the device gets full. Put Hulvek on the home screen and ask again.',
  needsNetwork: 'This needs a network. What is kept stays.',
};
