/** Invented weather files, as lines. */
export const WEATHER_HEAD: readonly string[] = [
  'LOCATION,Nowhere Flat,XX,Invented,hand-written,000000,60.0,10.0,1.0,123.0',
  'DESIGN CONDITIONS,0',
  'TYPICAL/EXTREME PERIODS,0',
  'GROUND TEMPERATURES,0',
  'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
  'COMMENTS 1,invented',
  'COMMENTS 2,for a test',
  'DATA PERIODS,1,1,Data,Sunday,1/1,12/31',
];

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** The hours of a year of one temperature a month, °C, and one humidity, %. */
export const yearOf = (outside_C: (month: number) => number, humidity_percent: number): string[] =>
  DAYS.flatMap((days, m) =>
    Array.from({ length: days * 24 }, (_, h) => {
      const dry = outside_C(m).toFixed(1);
      return `2021,${m + 1},${Math.floor(h / 24) + 1},${(h % 24) + 1},60,?9,${dry},99.9,${humidity_percent},101325`;
    }),
  );
