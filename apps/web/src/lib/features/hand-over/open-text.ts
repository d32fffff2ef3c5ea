/** What is still open at an opening, as one line. */
import { pieceText, stepText, type LengthUnit, type OpenPoint } from '@hulvek/core';
import { figureText } from '$lib/features/install/figures.ts';
import { gapPlaceText } from '$words/install.ts';
import { handOverWords as t } from '$words/hand-over.ts';
import { openingTestWords, zoneWords } from '$words/opening-tests.ts';
import { measuredTexts } from '@hulvek/core';

export function openText(point: OpenPoint, units: LengthUnit): string {
  switch (point.kind) {
    case 'step':
    case 'look':
      return t.kinds[point.kind](stepText(point.step).title);
    case 'fault':
      return t.kinds.fault(`${point.fault.entry.note} (${pieceText(point.fault.facts.piece)})`);
    case 'figure': {
      const { ask, value } = point.figure;
      return t.kinds.figure(
        `${measuredTexts[ask.what].name} ${figureText(ask.what, value ?? 0, units)}, ${stepText(point.step).title}`,
      );
    }
    case 'shim':
      return t.kinds.shim(gapPlaceText(point.place));
    case 'leak':
      return t.kinds.leak(
        `${openingTestWords.kinds[point.session.facts.of]}, ${point.session.wet.map(({ zone }) => zoneWords[zone]).join(', ')}`,
      );
  }
}
