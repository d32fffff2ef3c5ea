/** Words of a day's sheet. */
const many = (n: number, one: string, more: string) => (n === 1 ? `1 ${one}` : `${n} ${more}`);

export const dayWords = {
  lead: 'Made from what was entered. Closed by whoever leads, it says where the log stood.',
  day: 'Day',
  log: 'The whole log as a file',
  none: 'Nothing was entered on this day.',
  weather: 'Weather',
  weatherIs: (low: string, high: string, rain: string, gust: string) =>
    `${low} to ${high}, ${rain} of rain, gusts to ${gust}`,
  people: 'Who was there',
  from: (from: string, to: string, marks: string) => `${from} to ${to}: ${marks}`,
  hours: 'From the first to the last entry; hours beside them nobody has entered.',
  measured: 'measured',
  fault: 'fault',
  otherwise: 'built otherwise',
  counts: (looks: number, pictures: number, mended: number) =>
    [
      ...(looks > 0 ? [many(looks, 'look', 'looks')] : []),
      ...(pictures > 0 ? [many(pictures, 'picture', 'pictures')] : []),
      ...(mended > 0 ? [`${mended} mended`] : []),
    ].join(', '),
  deliveries: 'Delivered',
  promised: (done: number, all: number) => `Promised for this day: ${done} of ${all} done`,
  notDone: 'not done',
  unplanned: 'done, not planned for it',
  note: 'Words of the day',
  close: 'Close the day',
  closeAgain: 'Close it again',
  closed: (who: string, when: string) => `Closed by ${who}, ${when}.`,
  head: (seq: number, head: string) => `Receipt ${seq}, head ${head}`,
  headIs:
    'Whoever keeps this sheet can show later that the log up to this receipt was not changed: the file of the log is checked against this head.',
  needsNetwork: 'Closing a day needs the network once. Nothing was changed.',
};
