/** Words of the page on which a job says what it is judged in: months, joints, hands, prices. */
import { monthTexts, type EpwWeather, type MonthSource } from '@hulvek/core';

export const conditionText = {
  lead: 'What the proofs of this job are judged in. Everything here has a usual figure until somebody enters one.',
  save: 'Keep it',
  saved: 'Kept.',
  readOnly: 'Only owner and lead can change this.',
  clear: 'Take it out',
  months: {
    title: 'The weather, month by month',
    lead: 'Mean temperature, and the humidity that belongs to the month’s mean vapour. Rows can be pasted from a spreadsheet.',
    month: 'Month',
    outside: 'Temperature',
    humidity: 'Humidity, %',
    name: (i: number): string => monthTexts[i] ?? '',
    note: 'Where they come from',
    wrong: (month: string): string =>
      `${month}: a temperature from −60 to 50 °C (−76 to 122 °F) and a humidity from 1 to 100 % are needed.`,
    assumed: (climate: string): string => `No months yet: those of a generic climate stand in (${climate}).`,
    none: 'No months yet: the wall’s moisture is not checkable.',
    source: (source: MonthSource): string =>
      ({ hand: 'entered by hand', generator: 'generated', epw: 'from a weather file' })[source],
    generate: 'Generate',
    generateLead: 'Invented months for trying things out; the same for the same seed.',
    year: 'Mean of the year',
    coldest: 'Coldest month',
    seed: 'Seed',
    coast: 'At the sea',
    generated: (seed: number, year: string, coldest: string): string =>
      `Invented: seed ${seed}, ${year} over the year, ${coldest} in January`,
    generateWrong: 'Seed, mean of the year and coldest month must be figures, the coldest below the mean.',
    file: 'Read a weather file (EPW)',
    fileLead: 'Hourly weather. The file stays on this device; only its twelve means are kept.',
    tooLarge: 'More than 20 MB: a year of hours has about 1.5.',
    read: ({ place, hours, missing }: EpwWeather): string =>
      `${place || 'Weather file'}: ${hours} hours${missing.temperature + missing.humidity > 0 ? `, ${missing.temperature} without temperature and ${missing.humidity} without humidity left out` : ''}`,
    partly: (known: number): string =>
      `The file knows ${known} of 12 months. The others stay as they are: enter them, or take a file of a whole year.`,
    check: 'Look at the months and keep them.',
  },
  joints: {
    title: 'Joints over the year',
    lead: 'As the frame feels it: a dark frame in the sun is far warmer than the air.',
    installed_C: 'Sealed at',
    coldest_C: 'Coldest',
    hottest_C: 'Hottest',
    movement: 'Sealant follows',
    usual: 'usual (±25 %)',
    wrong:
      'Figures are needed: sealed −30 to 50 °C (−22 to 122 °F), coldest −60 to 30 °C (−76 to 86 °F), hottest 0 to 100 °C (32 to 212 °F).',
  },
  handling: {
    title: 'Hands and wind',
    person_kg: 'One person carries',
    gust_ms: 'No unit is carried above gusts of',
    wrong: 'Figures are needed: 5 to 40 kg (11 to 88 lb), 1 to 30 m/s (2 to 67 mph).',
  },
  prices: {
    title: 'Prices',
    lead: 'Empty fields take the invented figure beside them: “cheapest” rests on it until the job has its own prices.',
    currency: 'Money',
    currencyHint: 'three letters, like EUR, USD, CHF',
    currencyWrong: 'The money is three letters, like EUR, USD, CHF.',
    item: 'Item',
    per: 'per',
    own: 'This job',
    usual: 'Invented',
    wrong: (item: string): string => `${item}: a price from 0 to 100 000 is needed, or nothing.`,
  },
} as const;

export const jobUnitWords = {
  title: 'Drawings and sizes of this job',
  lead: 'What is dimensioned, framed, ordered and cut is written and rounded in one unit, so that all read one size. What you yourself read and type in is chosen at the top of every page; it stands beside where it differs.',
  mm: 'Millimetres; to frame, order and cut, whole ones',
  in: 'Inches; to frame, order and cut, to a sixteenth',
};

export const siteWords = {
  title: 'Site',
  changed: 'Somebody else changed this meanwhile. It is shown now; do it again.',
  altitude: 'Altitude of the site above the sea',
  gust: 'Gust of the site (3 s, 10 m up, open country)',
  terrain: 'Ground the wind comes over',
  terrains: { 'built-up': 'town, trees', open: 'open country', coast: 'flat coast, open water' },
  assumed: 'Climate of the place, where nobody has entered its weather',
  noAssumed: 'none: ask for the weather',
  assumedLead:
    'Stands in for gust, room and weather, and the twelve months, wherever one of them is missing. Everything that rests on it says “assumed climate”. Rounded means, from memory: enter the weather of the place as soon as you have it.',
  share: 'Share of the wind behind the cladding, %',
  climate: 'Room and weather that joints are judged in',
  climateLead:
    'Left empty, the usual stands in, as the grey figures say. What the local code says goes first.',
  inside_C: 'Room',
  humidity_percent: 'Humidity of the room, %',
  outside_C: 'Weather',
  fRsiLeast: 'f of surfaces at least (empty: 80 % humidity)',
  psiMost: 'Ψ of joints at most',
  climateWhole: 'Give all three: room, humidity and weather, the room warmer than the weather.',
  facade: 'Façade',
  uMost: 'U-factor at most',
  ratedByAny: 'procedure not known',
  shgcLeast: 'Solar gain at least',
  shgcMost: 'Solar gain at most',
  save: 'Keep',
  wrong: 'Write numbers, like 1.4 or 0.45, with their unit where they have one.',
  lead: 'What the glazing of each façade must do; labels of delivered units are held against it.',
};
