/** What an entry says besides words, in one line. */
import { measuredTexts, pieceText, writeMeasure, type Entry, type LengthUnit } from '@hulvek/core';
import { conditionWords, deviationWords, gapPlaceText, gapWords } from '$words/install.ts';
import { figureText, placeText } from './figures.ts';

export function factsText({ facts }: Pick<Entry, 'facts'>, units: LengthUnit): string {
  switch (facts?.kind) {
    case 'measured': {
      const at = placeText(facts.place);
      const name = at === '' ? measuredTexts[facts.what].name : `${measuredTexts[facts.what].name}, ${at}`;
      return `${name}: ${figureText(facts.what, facts.value, units)}${facts.accepted ? ` (${facts.accepted})` : ''}`;
    }
    case 'conditions': {
      const { air_C, surface_C, humidity_percent, moisture_percent, by, despite } = facts;
      const degrees = (C: number) => writeMeasure('temperature', C, units);
      const figures = [
        surface_C === undefined ? '' : conditionWords.surface(degrees(surface_C)),
        air_C === undefined ? '' : conditionWords.air(degrees(air_C)),
        humidity_percent === undefined ? '' : conditionWords.humidity(Math.round(humidity_percent)),
        moisture_percent === undefined ? '' : conditionWords.moisture(Math.round(moisture_percent)),
      ].filter(Boolean);
      return `${figures.join(', ')} (${conditionWords.from[by]})${despite ? `: ${despite}` : ''}`;
    }
    case 'gap': {
      const place = gapPlaceText(facts.place);
      return `${facts.count > 0 ? gapWords.in : gapWords.out}: ${Math.abs(facts.count)} ${gapWords.things[facts.thing]}, ${place}`;
    }
    case 'deviation':
      return deviationWords.is(deviationWords.froms[facts.from], facts.accepted);
    case 'fault':
      return pieceText(facts.piece);
    default:
      return '';
  }
}
