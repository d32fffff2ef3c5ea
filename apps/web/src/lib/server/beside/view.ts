/** A task as its person sees it. */
import { packagesWords } from '$words/packages.ts';
import { jobsWords } from '$words/shell.ts';
import { JOB_FORMAT } from '@hulvek/core';
import { mustBe } from '../../contract/read.ts';
import { importedSchema, type TaskView } from '../../contract/tasks.ts';
import type { Task } from './tasks.ts';

export function taskView({ id, name, state, share, result }: Task): TaskView {
  const view = { id, name, state, share, job: null, looked: null, file: null, problem: '', problems: [] };
  if (state === 'broken') return { ...view, problem: jobsWords.broken };
  if (state !== 'done' && state !== 'refused') return view;
  const told = mustBe(importedSchema, result, 'what came of an import');
  if ('looked' in told) return { ...view, looked: told.looked };
  if ('file' in told) return { ...view, file: told.file };
  if (told.ok) return { ...view, job: told.job };
  if ('there' in told) return { ...view, problem: jobsWords.fileThere(told.there) };
  if ('lines' in told) return { ...view, problem: packagesWords.notTaken(name), problems: told.lines };
  return {
    ...view,
    problem: jobsWords.fileRefused(name, JOB_FORMAT),
    problems: told.problems.map(({ path, message }) => (path ? `${path}: ${message}` : message)),
  };
}
