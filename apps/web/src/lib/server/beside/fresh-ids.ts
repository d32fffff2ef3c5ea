/** The same job under ids of its own, for a second one of it. */
import { randomUUID } from 'node:crypto';
import { jobFileSchema, type JobFile } from '@hulvek/core';

export function withFreshIds(file: JobFile): { file: JobFile; idOf: (id: string) => string } {
  const fresh = new Map<string, string>();
  const idOf = (id: string): string => {
    const known = fresh.get(id) ?? randomUUID();
    fresh.set(id, known);
    return known;
  };
  const { readings, issues, entries } = file.records;
  const made = jobFileSchema.parse({
    ...file,
    job: { ...file.job, id: `${file.job.id.slice(0, 50)}-${randomUUID().slice(0, 8)}` },
    records: {
      issues,
      readings: readings.map((one) => ({ ...one, id: idOf(one.id), replaces: one.replaces.map(idOf) })),
      entries: entries.map((one) => ({
        ...one,
        id: idOf(one.id),
        undoes: one.undoes === null ? null : idOf(one.undoes),
      })),
    },
  });
  return { file: made, idOf };
}
