import { MOST_TASKS } from '$lib/contract/practice.ts';
import { beside } from '$lib/server/beside/threads.ts';
import { asPdf } from '$lib/server/paper.ts';
import { errorsWords } from '$words/contract.ts';
import { paperWords } from '$words/practice.ts';
import { readTaskNumber } from '@hulvek/core';
import { error } from '@sveltejs/kit';

/** A round of tasks by their numbers, on paper with its answers. */
export const GET = async ({ url }) => {
  const tasks = (url.searchParams.get('tasks') ?? '')
    .split(',')
    .filter((text) => readTaskNumber(text) !== null);
  if (tasks.length === 0 || tasks.length > MOST_TASKS) error(400, errorsWords.badRequest);
  const paper = {
    title: paperWords.title,
    tasks: tasks.map((task) => ({ task, opening: null })),
    job: null,
    at: new Date(),
  };
  return asPdf(await beside('drawRound', paper), 'practice-round');
};
