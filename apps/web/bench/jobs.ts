/** Jobs of any size for measuring, made from the demo's openings. */
import { randomUUID } from 'node:crypto';
import { skarvPoint, type JobFile } from '@hulvek/core';

/** A job of `n` measured openings in rows of ten on façades of fifty. */
export function jobOf(n: number, id: string): JobFile {
  const file = skarvPoint();
  const models = file.openings.filter(
    (o) => file.records.readings.filter((r) => r.opening === o.id).length > 10,
  );
  const openings = Array.from({ length: n }, (_, i) => {
    const model = models[i % models.length] ?? file.openings[0];
    if (!model) throw new Error('the demo has no opening');
    const [u, v] = [(i % 10) * 2200 + 500, (Math.floor(i / 10) % 5) * 3000 + 900];
    return {
      model: model.id,
      document: {
        ...model,
        id: `${id}-${i}` as typeof model.id,
        mark: `A-${String(i + 1).padStart(3, '0')}`,
        facade: `Façade ${Math.floor(i / 50) + 1}`,
        position: { u: { typed: String(u), mm: u }, v: { typed: String(v), mm: v } },
      },
    };
  });
  const { lines: _lines, ...job } = file.job;
  return {
    ...file,
    job: { ...job, id: id as typeof job.id, name: `${n} openings` },
    openings: openings.map((o) => o.document),
    records: {
      issues: [],
      entries: [],
      readings: openings.flatMap(({ model, document }) =>
        file.records.readings
          .filter((r) => r.opening === model)
          .map((r) => ({ ...r, id: randomUUID(), opening: document.id })),
      ),
    },
  };
}
