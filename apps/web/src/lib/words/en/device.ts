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
