/** Version 1 of the job file kept the figures of a survey in its opening; version 2 keeps them as readings. */
import { contentHash } from '../quantities/content-hash.ts';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

/** Moves what it recognises and leaves everything else as it is, so that the schema can name what is wrong. */
export function fromVersion1(file: Fields): Fields {
  const readings: unknown[] = [];
  const jobId = isFields(file.job) ? file.job.id : null;
  const openings = listOf(file.openings).map((opening) => {
    if (!isFields(opening) || !isFields(opening.survey)) return opening;
    const { values, ...survey } = opening.survey;
    if (!isFields(values)) return opening;
    for (const [point, value] of Object.entries(values)) {
      readings.push({
        id: idFor([jobId, opening.id, point]),
        opening: opening.id,
        point,
        from: survey.from,
        value,
        replaces: [],
        instrument: 'tape',
        person: 'not recorded',
        at: null,
      });
    }
    return { ...opening, survey };
  });
  const records = isFields(file.records)
    ? {
        ...file.records,
        readings,
        entries: listOf(file.records.entries).map((entry) =>
          isFields(entry) ? { ...entry, photo: null } : entry,
        ),
      }
    : file.records;
  return { ...file, version: 2, openings: Array.isArray(file.openings) ? openings : file.openings, records };
}

/** An id that is the same whenever the same file is read. Version 8: made from content in a way of one's own. */
function idFor(content: unknown): string {
  const digits = [1, 2, 3]
    .map((salt) => BigInt(parseInt(contentHash([salt, content]), 32)).toString(16))
    .join('')
    .padStart(32, '0')
    .slice(-32);
  const parts = [8, 12, 16, 20, 32].map((end, i, ends) => digits.slice(ends[i - 1] ?? 0, end));
  return [parts[0], parts[1], `8${parts[2]?.slice(1)}`, `8${parts[3]?.slice(1)}`, parts[4]].join('-');
}
