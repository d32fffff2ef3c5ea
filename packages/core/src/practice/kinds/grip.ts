/** Which material goes on which: what sticks to a face as it is. */
import {
  chemistries,
  contactFaces,
  contactTable,
  type Chemistry,
  type ContactFace,
} from '../../vocabulary/contacts.ts';
import { byLevel, choseAll, type Make } from '../make.ts';

const OPTIONS = [2, 3, 4, 5, 6] as const;

export const makeGrip: Make = ({ level, dice, show }) => {
  const many = byLevel(level, OPTIONS);
  const goes = (chemistry: Chemistry, face: ContactFace) => contactTable[chemistry][face] === 'goes';
  const face = dice.pick(
    contactFaces.filter(
      (one) => chemistries.some((c) => goes(c, one)) && chemistries.some((c) => !goes(c, one)),
    ),
  );
  const all = dice.shuffled(chemistries);
  const [good, bad] = [all.filter((c) => goes(c, face)), all.filter((c) => !goes(c, face))];
  const rights = good.slice(0, Math.max(1, many - bad.length, dice.whole(1, Math.max(1, many - 1))));
  const options = [...rights, ...bad.slice(0, many - rights.length)];
  if (options.length < many || options.length === rights.length) return null;
  return {
    task: {
      asked: { form: 'several', options: show.shuffled(options) },
      question: { kind: 'grip', face },
      views: [],
    },
    judge: (given) => ({
      right: choseAll(given, rights),
      answer: { form: 'several', options: rights },
      why: {
        code: 'grip',
        rows: options.map((chemistry) => ({ chemistry, answer: contactTable[chemistry][face] })),
      },
      play: null,
      place: null,
    }),
    hardness: () => Math.log2(2 ** options.length - 1),
  };
};
