/** Solves heat beside the page: a first answer at once, then refined; whatever is asked later goes before. */
import {
  candidatesOf,
  conditionsOf,
  cutIds,
  heatFindings,
  heatInput,
  heatPicture,
  heatProof,
  heatSubject,
  proveSide,
  sketchSide,
  summed,
  variantOf,
  type CutId,
  type SideFields,
  type SolvedSide,
  type Variant,
} from '@hulvek/core';
import type { HeatAnswer, HeatRequest, Shown, SolvedBox } from './heat-messages.ts';

type Look = Extract<HeatRequest, { kind: 'look' }>;
type StudyRequest = Extract<HeatRequest, { kind: 'study' }>;

/** Samples along a picture's longer side: while a hand moves, and when it rests. */
const QUICK_SAMPLES = 90;
const FINE_SAMPLES = 190;
/** A hand that pauses for this long is followed by the refined answer. */
const REST_ms = 90;

let latestLook = 0;
let latestStudy = 0;
const last: Partial<Record<CutId, SideFields>> = {};

const say = (answer: HeatAnswer) => postMessage(answer);
const pause = (ms = 0) => new Promise((resolve) => setTimeout(resolve, ms));

onmessage = ({ data }: MessageEvent<HeatRequest>) => {
  if (data.kind === 'look') {
    latestLook = data.id;
    look(data).catch(() => say({ kind: 'failed', id: data.id, code: 'stopped' }));
  } else if (data.kind === 'study') {
    latestStudy = data.id;
    study(data).catch(() => say({ kind: 'failed', id: data.id, code: 'stopped' }));
  } else latestStudy = 0;
};

async function look(request: Look): Promise<void> {
  const { id, cut } = request;
  // What was asked in the meantime is already waiting behind this message.
  await pause();
  const isOld = () => id !== latestLook;
  if (isOld()) return;
  const subject = heatSubject(request.opening, request.context);
  if (!subject.build) return say({ kind: 'failed', id, code: 'not-planned' });
  const input = heatInput(subject.build, subject.job);
  const order = [cut, ...cutIds.filter((other) => other !== cut)];
  const tell = (solved: SolvedSide, refined: boolean) => {
    const { side, junction, fields } = solved;
    last[side.cut] = fields;
    const shown = side.cut === cut ? shownOf(request, solved, refined) : null;
    say({ kind: 'side', id, side, refined, shown });
    return { side, leftOut: junction.leftOut };
  };
  for (const each of order) {
    const solved = sketchSide(input, each, last[each]);
    if (!solved.ok) return say({ kind: 'failed', id, code: solved.error.code });
    tell(solved.value, false);
    await pause(each === cut ? REST_ms : 0);
    if (isOld()) return;
  }
  const sides = [];
  for (const each of order) {
    const solved = proveSide(input, each, last[each]);
    if (!solved.ok) return say({ kind: 'failed', id, code: solved.error.code });
    sides.push(tell(solved.value, true));
    await pause();
    if (isOld()) return;
  }
  sides.sort((a, b) => cutIds.indexOf(a.side.cut) - cutIds.indexOf(b.side.cut));
  const proof = heatProof(input, sides);
  say({ kind: 'proof', id, proof, findings: heatFindings(subject, proof) });
}

function shownOf({ window, context }: Look, solved: SolvedSide, refined: boolean): Shown | null {
  if (!window) return null;
  const picture = heatPicture(solved.fields.surface, {
    window,
    conditions: conditionsOf(context.job),
    samples: refined ? FINE_SAMPLES : QUICK_SAMPLES,
  });
  return { picture, boxes: boxesOf(solved), section: solved.junction.flow.section };
}

const boxesOf = ({ junction: { surface } }: SolvedSide): SolvedBox[] =>
  surface.section.boxes.map(({ material, x, y }, i) => ({
    thing: surface.boxThings[i] ?? material,
    material,
    lambda_WmK: surface.section.materials[material]?.lambda ?? 0,
    x,
    y,
  }));

async function study({ id, opening, context, study: which }: StudyRequest): Promise<void> {
  await pause();
  const subject = heatSubject(opening, context);
  const candidates = candidatesOf(subject, which);
  const variants: Variant[] = [];
  let like: Partial<Record<CutId, SideFields>> | undefined;
  for (const [i, candidate] of candidates.entries()) {
    if (id !== latestStudy) return;
    const solved = variantOf(candidate, like);
    like = solved?.fields ?? like;
    if (solved) variants.push(solved.variant);
    say({
      kind: 'study',
      id,
      study: summed(subject, which, variants),
      done: i + 1,
      total: candidates.length,
    });
    await pause();
  }
  if (candidates.length === 0)
    say({ kind: 'study', id, study: summed(subject, which, []), done: 0, total: 0 });
}
