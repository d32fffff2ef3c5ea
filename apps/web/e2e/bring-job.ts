/** Jobs made of the demo's own file, brought in as anybody would. */
import type { JobFile, TypedLength } from '@hulvek/core';
import { expect, type Page } from '@playwright/test';

/** Loads the demo job, changed, under a name of its own; returns the path of its pages. */
export async function bring(page: Page, id: string, change: (file: JobFile) => JobFile): Promise<string> {
  const file = (await (await page.request.get('/jobs/skarv-point/file')).json()) as JobFile;
  const { job } = file;
  const copy = change({ ...file, job: { ...job, id: id as typeof job.id, name: id } });
  await page.goto('/jobs');
  await page.getByLabel('Job file (*.hulvek.json)').setInputFiles({
    name: `${id}.hulvek.json`,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(copy)),
  });
  await page.getByRole('button', { name: 'Load', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}$`), { timeout: 60_000 });
  return `/jobs/${id}`;
}

const AXIS_mm = 3000;
const IN_A_ROW = 50;
const length = (mm: number): TypedLength => ({ typed: `${mm} mm`, mm });

/** The demo's openings again and again, in rows on their façades. */
export const manyOpenings = (file: JobFile, many: number): JobFile => ({
  ...file,
  records: { readings: [], issues: [], entries: [] },
  job: { ...file.job, lines: [], facades: [] },
  openings: Array.from({ length: many }, (_, i) => i).flatMap((i) => {
    const like = file.openings[i % file.openings.length];
    if (!like) return [];
    return {
      ...like,
      id: `m-${i + 1}` as typeof like.id,
      mark: `M-${i + 1}`,
      position: { u: length((i % IN_A_ROW) * AXIS_mm), v: length(Math.floor(i / IN_A_ROW) * AXIS_mm) },
    };
  }),
});
