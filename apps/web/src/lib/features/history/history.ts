/** Everything that was ever entered for an opening, as lines to read, newest first. */
import { versionsAnswer, type Version } from '$lib/contract/answers.ts';
import { answerOf } from '$lib/contract/read.ts';
import { madeBy } from '$words/contract.ts';
import { historyWords } from '$words/history.ts';
import { measureWords } from '$words/measure.ts';
import { entryKindsWords, installWords } from '$words/install.ts';
import { orderWords } from '$words/order.ts';
import { saveWords } from '$words/shell.ts';
import {
  axisTexts,
  changedFields,
  choiceText,
  ruleTexts,
  type AxisId,
  type RuleId,
  openingOf,
  parameterTexts,
  pointFromOutside,
  pointTexts,
  standing,
  stepText,
  type JobContext,
  type OpeningDocument,
  type ParameterId,
  type Reading,
} from '@hulvek/core';
import type { OpeningView } from '$lib/job/job.svelte.ts';

export interface HistoryLine {
  readonly id: string;
  /** ISO time; `null` where nobody wrote it down. */
  readonly at: string | null;
  readonly person: string;
  readonly what: string;
  /** How it was found out, or what was said with it. */
  readonly more: string;
  readonly undone: boolean;
}

/** `null` when there is no network. */
export async function loadVersions(job: string, opening: string): Promise<readonly Version[] | null> {
  try {
    const response = await fetch(`/api/jobs/${job}/openings/${opening}/versions`);
    return response.ok ? (await answerOf(response, versionsAnswer)).versions : null;
  } catch {
    return null;
  }
}

export function openingHistory(
  view: OpeningView,
  versions: readonly Version[],
  context: JobContext,
): HistoryLine[] {
  const lines = [
    ...view.readings.map((reading) => readingLine(reading, view.readings)),
    ...versions.map((version, i) => versionLine(version, versions[i - 1], context)),
    ...view.issues.map(({ version, at, ...maker }) => ({
      id: `plan-${version}`,
      at,
      person: madeBy(maker),
      what: historyWords.frozen(version),
      more: '',
      undone: false,
    })),
    ...entryLines(view),
  ];
  const time = (line: HistoryLine) => (line.at === null ? 0 : Date.parse(line.at));
  return lines.sort((a, b) => time(b) - time(a));
}

function readingLine(reading: Reading, all: readonly Reading[]): HistoryLine {
  const was = reading.replaces.flatMap((id) => all.find((r) => r.id === id)?.value?.typed ?? []).at(-1) ?? '';
  const point = pointTexts[reading.point].label;
  const from = reading.from === 'inside' ? `, ${historyWords.seen(measureWords.inside)}` : '';
  return {
    id: reading.id,
    at: reading.at,
    person: madeBy(reading),
    what: historyWords.reading(point, reading.value?.typed ?? historyWords.cleared, was),
    more: `${historyWords.instruments[reading.instrument]}${from}`,
    undone: all.some(
      (r) => r.replaces.includes(reading.id) && pointFromOutside(r) === pointFromOutside(reading),
    ),
  };
}

function versionLine(now: Version, before: Version | undefined, context: JobContext): HistoryLine {
  const line = {
    id: `version-${now.version}`,
    at: now.at,
    person: now.person || historyWords.unknownPerson,
    more: '',
    undone: false,
  };
  if (!before) return { ...line, what: historyWords.created };
  const fields = changedFields(openingOf(before.document, []), openingOf(now.document, []));
  const what = fields.map((field) =>
    historyWords.changed(
      fieldLabel(field),
      fieldValue(now.document, field, context),
      fieldValue(before.document, field, context),
    ),
  );
  return { ...line, what: what.join('; ') };
}

function entryLines({ entries }: OpeningView): HistoryLine[] {
  const stands = new Set(standing(entries).map((entry) => entry.id));
  return entries.map(({ id, at, kind, step, note, ...maker }) => ({
    id,
    at,
    person: madeBy(maker),
    what: `${stepText(step).title}: ${kind === 'undo' ? installWords.undone : entryKindsWords[kind]}`,
    more: note,
    undone: kind !== 'undo' && !stands.has(id),
  }));
}

const NUMBERS = 'numbers.';
const CHOICES = 'choices.';
const DEVIATIONS = 'deviations.';

/** What a field of an opening is called. */
export function fieldLabel(field: string): string {
  if (field.startsWith(NUMBERS)) return parameterTexts[field.slice(NUMBERS.length) as ParameterId];
  if (field.startsWith(CHOICES)) return axisTexts[field.slice(CHOICES.length) as AxisId];
  if (field.startsWith(DEVIATIONS))
    return ruleTexts[field.slice(DEVIATIONS.length) as RuleId]?.title ?? orderWords.deviation;
  return (saveWords.fields as Readonly<Record<string, string>>)[field] ?? field;
}

/** What stands in a field, by the name of what is chosen. */
export function fieldValue(document: OpeningDocument, field: string, context: JobContext): string {
  if (field === 'survey.from') return measureWords[document.survey.from];
  if (field.startsWith(NUMBERS))
    return document.numbers[field.slice(NUMBERS.length) as ParameterId]?.typed ?? saveWords.none;
  if (field.startsWith(CHOICES)) {
    const axis = field.slice(CHOICES.length) as AxisId;
    const choice = document.choices?.[axis];
    return choice === undefined ? saveWords.none : choiceText(axis, choice).name;
  }
  if (field.startsWith(DEVIATIONS))
    return (
      document.deviations?.find((d) => d.rule === field.slice(DEVIATIONS.length))?.reason ?? saveWords.none
    );
  if (field === 'order') return document.order?.map((id) => stepText(id).title).join(', ') ?? saveWords.none;
  const value: unknown = new Map<string, unknown>(Object.entries(document)).get(field);
  if (typeof value === 'object' && value !== null) return partsInWords(value);
  const shelf = { unit: context.units, wall: context.walls, method: context.methods }[field];
  return (
    shelf?.find((item) => item.id === value)?.name ??
    (typeof value === 'string' && value !== '' ? value : saveWords.none)
  );
}

/** A field made of parts: each as it was typed. */
function partsInWords(parts: object): string {
  const words = Object.values(parts).map((part: unknown) =>
    typeof part === 'object' && part !== null && 'typed' in part ? String(part.typed) : String(part),
  );
  return words.length > 0 ? words.join(', ') : saveWords.none;
}
