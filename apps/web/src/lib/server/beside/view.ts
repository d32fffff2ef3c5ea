/** A task as its person sees it. */
import { jobsWords } from '$words/shell.ts';
import { JOB_FORMAT } from '@hulvek/core';
import { mustBe } from '../../contract/read.ts';
import { importedSchema, type TaskView } from '../../contract/tasks.ts';
import type { Task } from './tasks.ts';

export function taskView({ id, name, state, share, result }: Task): TaskView {
  const view = { id, name, state, share, job: null, problem: '', problems: [] };
  if (state === 'broken') return { ...view, problem: jobsWords.broken };
  if (state !== 'done' && state !== 'refused') return view;
  const told = mustBe(importedSchema, result, 'what came of an import');
  if (told.ok) return { ...view, job: told.job };
  if ('there' in told) return { ...view, problem: jobsWords.fileThere(told.there) };
  return {
    ...view,
    problem: jobsWords.fileRefused(name, JOB_FORMAT),
    problems: told.problems.map(({ path, message }) => (path ? `${path}: ${message}` : message)),
  };
}
