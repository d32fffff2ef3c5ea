/** Words of the work, each in a sentence or two and, where it can be shown, in a drawing of an example wall. */
import type { CutId, PieceRole } from '@hulvek/core';

export interface Term {
  readonly id: string;
  readonly name: string;
  /** How it stands in sentences. */
  readonly word: RegExp;
  readonly says: string;
  /** Where it is seen in the example wall, and what of it is lit. */
  readonly shows?: { readonly cut: CutId; readonly roles: readonly PieceRole[] };
}

const term = (id: string, name: string, word: RegExp, says: string, shows?: Term['shows']): Term => ({
  id,
  name,
  word,
  says,
  ...(shows && { shows }),
});

/** In the order of the work: the hole, the water, the unit, the air, the heat, the record. */
export const glossary: readonly Term[] = [
  term(
    'rough-opening',
    'Rough opening',
    /\brough (?:opening|sill|head)\b/i,
    'The bare hole in the framing, before anything is flashed. The unit must fit it with room to shim and to seal.',
    { cut: 'sill', roles: ['sill-board'] },
  ),
  term(
    'reveal',
    'Reveal',
    /\breveals?\b/i,
    'The inner faces of the hole, from the weather to the room: what pan and flashing lie on and seals stick to.',
    { cut: 'left', roles: ['jamb-flashing'] },
  ),
  term(
    'diagonals',
    'Diagonals',
    /\bdiagonals?\b/i,
    'Corner to corner, both ways. Equal diagonals and equal sides make it square; widths alone never do.',
  ),
  term(
    'plumb',
    'Plumb and level',
    /\bplumb\b/i,
    'Plumb is upright, level is flat, both against gravity and not against the wall beside it.',
  ),
  term(
    'datum',
    'Common line',
    /\bcommon line\b/i,
    'One height for several openings, taken from a laser and not from the floor, so that sills and heads line up.',
  ),
  term(
    'shims',
    'Shims',
    /\bshims?\b/i,
    'Thin blocks that carry the unit and hold it plumb. Those at the sill stay and carry; those at the sides keep it from moving.',
    { cut: 'sill', roles: ['sill-shims'] },
  ),
  term(
    'buck',
    'Buck',
    /\bbucks?\b/i,
    'A frame in the hole that stands out to the face of the outer insulation, so that the unit has something to be fixed to.',
  ),
  term(
    'wrap',
    'Wrap',
    /\bwrap\b/i,
    'The sheet over the sheathing that keeps water out and lets vapour through: the wall’s water layer.',
    { cut: 'head', roles: ['wrap'] },
  ),
  term(
    'lap',
    'Lap',
    /\blap(?:s|ped|ping)?\b/i,
    'Where one strip lies over another. The upper one comes over the lower one, so that water runs on and never in behind.',
    { cut: 'head', roles: ['head-tape'] },
  ),
  term(
    'reverse-lap',
    'Reverse lap',
    /\breverse lap\b/i,
    'A lap the wrong way round: water runs in behind the lower strip, and no sealant mends it for long.',
  ),
  term(
    'pan',
    'Sill pan',
    /\b(?:sill )?pans?\b/i,
    'A tray under the unit that catches what gets in and lets it out at the front. It has ends that turn up, and nothing seals its front edge.',
    { cut: 'sill', roles: ['pan'] },
  ),
  term(
    'dam',
    'Back dam',
    /\b(?:back )?dam\b/i,
    'The edge of the pan that rises towards the room, so that water that wind holds up does not run inside.',
    { cut: 'sill', roles: ['dam'] },
  ),
  term(
    'flap',
    'Head flap',
    /\b(?:head )?flap\b/i,
    'The wrap above the opening, cut and folded up while the unit is set, and brought down over the head at the end.',
    { cut: 'head', roles: ['wrap'] },
  ),
  term(
    'fin',
    'Fin',
    /\bfins?\b/i,
    'The thin rim round the frame that lies on the wall. It is fixed through its holes and taped over, at the sides and the head.',
    { cut: 'left', roles: ['fin'] },
  ),
  term(
    'bedding',
    'Bedding',
    /\bbedd(?:ed|ing)\b/i,
    'Sealant on the back of the fin before the unit goes in. At the sill it is left out, so that the pan can drain.',
    { cut: 'left', roles: ['frame-bead'] },
  ),
  term(
    'weep',
    'Weep',
    /\bweeps?\b/i,
    'A small hole that lets water out of a frame or a cavity. Whoever seals it keeps the water in.',
  ),
  term(
    'drip-cap',
    'Cap over the head',
    /\b(?:drip )?cap\b/i,
    'A bent strip over the head that leads water from behind the cladding out over the frame.',
  ),
  term(
    'cavity',
    'Cavity',
    /\bcavity\b/i,
    'The room behind the cladding in which water runs down and the wall dries. Its way out at the bottom stays open.',
  ),
  term(
    'roller',
    'Rolled',
    /\brolle[rd]\b/i,
    'Tape sticks by pressure: a roller goes over all of it. What is only patted down comes loose in the cold.',
  ),
  term(
    'primer',
    'Primer',
    /\bprimer\b/i,
    'Brushed on porous, dusty or cold ground so that tape sticks. It has its own time to dry.',
  ),
  term(
    'rod',
    'Backer rod',
    /\b(?:backer )?rods?\b/i,
    'A round foam string pressed into a joint. It gives the sealant its depth and keeps it from sticking to the back.',
    { cut: 'left', roles: ['inner-rod'] },
  ),
  term(
    'inner-seal',
    'Inner seal',
    /\binner seal\b/i,
    'What closes the joint between frame and wall to the room. It keeps the air out; water is kept out further front.',
    { cut: 'left', roles: ['inner-seal'] },
  ),
  term(
    'pen',
    'Pen line',
    /\bthe pen\b/i,
    'A pen that goes round the opening on what keeps air out, without being lifted.',
  ),
  term(
    'air-line',
    'Air line',
    /\bair line\b/i,
    'What keeps the air out, drawn in one line from the wall to the frame.',
  ),
  term(
    'psi',
    'Ψ (psi)',
    /Ψ/,
    'Heat that is lost at the edge over what wall and unit lose, for each length of it and each degree.',
  ),
  term(
    'f',
    'f of a surface',
    /\bf = /,
    'How much of the warmth between weather and room a surface keeps: 1 is as warm as the room, 0 as cold as the weather.',
  ),
  term(
    'dew-point',
    'Dew point',
    /\bdew point\b/i,
    'The temperature at which air lets go of its water. A surface that is colder gets wet.',
  ),
  term(
    'condensate',
    'Condensate',
    /\bcondensate\b/i,
    'Water that damp air leaves on what is too cold for it.',
  ),
  term(
    'still-air',
    'As tight as still air',
    /\bstill air\b/i,
    'How hard it is for vapour: as hard as through so much air that does not move.',
  ),
  term(
    'perm',
    'Perm',
    /\bperms?\b/i,
    'How easily vapour goes through a sheet. Few perms are tight, many are open.',
  ),
  term(
    'monthly-method',
    'Monthly method',
    /\bmonthly method\b/i,
    'A reckoning of damp in a wall month by month. It judges, it does not foretell.',
  ),
  term(
    'look',
    'Look',
    /\blooks?\b(?= (?:is|are|due|by|recorded))/i,
    'Somebody looks at what was done before it is covered, and says so by name. A look that nobody recorded does not count.',
  ),
  term(
    'freeze',
    'Frozen plan',
    /\bfrozen\b|\bfreeze\b/i,
    'The plan as it was when work began. Cards and cuts go by it, whatever is changed afterwards, until it is frozen anew.',
  ),
  term(
    'as-built',
    'As built',
    /\bas built\b/i,
    'What was done, in the order it was done, with what came out otherwise than planned.',
  ),
];

export interface Part {
  readonly text: string;
  /** What is explained there; `null` for plain text. */
  readonly term: Term | null;
}

/** Text cut at the words that are explained, each of them once. */
export function explained(text: string): readonly Part[] {
  let parts: readonly Part[] = [{ text, term: null }];
  for (const one of glossary)
    parts = parts.flatMap((part, i): Part[] => {
      const found =
        part.term === null && !parts.slice(0, i).some((p) => p.term === one)
          ? one.word.exec(part.text)
          : null;
      if (!found) return [part];
      const end = found.index + found[0].length;
      return [
        { text: part.text.slice(0, found.index), term: null },
        { text: found[0], term: one },
        { text: part.text.slice(end), term: null },
      ];
    });
  return parts.filter(({ text: own }) => own !== '');
}

export const glossaryWords = {
  title: 'Words of the work',
  lead: 'What they mean here. Marked words on other pages lead to the same sentences.',
  find: 'Find a word',
  none: 'No such word here.',
  example: (cut: string) => `Seen in an example wall: ${cut}`,
  all: 'All words',
  close: 'Close',
};
