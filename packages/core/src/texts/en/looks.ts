/** Words for what has to be seen while it is built. */
import type { Look } from '../../documents/issue.ts';
import { asSentence } from './grammar.ts';
import { pieceName, together, withoutSide } from './piece-names.ts';

/** What to see, in the words of a step's card. */
export function lookText({ code, things }: Pick<Look, 'code' | 'things'>): string {
  const [first = '', second = ''] = things;
  switch (code) {
    case 'one-bond':
      return `${asSentence(together(things))}: stuck all along, rolled, no fish-mouths. Nothing is behind it.`;
    case 'first-line-one-bond':
      return `${asSentence(together(things))}: whole and tight all round. It alone keeps water out of the joint.`;
    case 'air-interrupted':
      return `${asSentence(withoutSide(second))}: closed round every one of the ${pieceName(first)}.`;
    case 'does-not-stick':
      return `${asSentence(together(things))}: primer on and dry before it is stuck, or the written word of both makers seen that it needs none.`;
    case 'needs-lift':
      return 'A lift or hoist is there, rated for the unit.';
  }
}
