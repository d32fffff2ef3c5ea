import {
  calendarModel,
  planCalendar,
  resultOf,
  visitsOf,
  contextOf,
  openingsOf,
  planOpening,
  SharedPlans,
  skarvPoint,
  eveningsOf,
  exposedTo,
  type JudgedOpening,
  calendarSchema,
} from '@hulvek/core';
const file = skarvPoint();
const job = contextOf(file);
const shared = new SharedPlans();
let t = performance.now();
const openings: JudgedOpening[] = openingsOf(file).flatMap((opening) => {
  const { build, unit } = planOpening(opening, job, shared);
  if (!build) {
    console.log('no build', opening.mark);
    return [];
  }
  return [
    {
      id: opening.id,
      mark: opening.mark,
      facade: opening.facade,
      build,
      done: new Map(),
      evenings: eveningsOf(build, exposedTo({ opening, job, unit })),
    },
  ];
});
console.log('evenings', performance.now() - t, openings.length);
const calendar = calendarSchema.parse({
  start: '2026-11-30',
  zone: 'Europe/Oslo',
  site: { latitude: 60, longitude: 8 },
  hours: { from: '07:00', to: '15:30' },
  weekdays: [1, 2, 3, 4, 5],
  people: [
    { id: 'jonas', name: 'Jonas', skills: ['set', 'seal'], off: [] },
    { id: 'tove', name: 'Tove', skills: ['set', 'seal', 'look'], off: [] },
    { id: 'per', name: 'Per', skills: ['seal'], off: [] },
  ],
  tools: {},
  setup_min: 15,
  deliveries: [],
  others: [],
  weather: { source: 'invented', seed: 7 },
  pins: [],
  kept: [],
  covers: [],
});
t = performance.now();
const model = calendarModel({ calendar, openings, now: '2026-11-30T00:00:00Z' });
console.log('model', performance.now() - t, model.tasks.length, 'tasks', model.chainModel.model.horizon);
t = performance.now();
let n = 0;
const seconds = Number(process.argv[2] ?? 3);
const plan = planCalendar(model, {
  enough: (k) => {
    n = k;
    return performance.now() - t > seconds * 1000;
  },
  onBetter: (p) => console.log(Math.round(performance.now() - t), p.score),
});
console.log('plans', n);
import { openNights, planByList } from '@hulvek/core';
console.log('list', openNights(model, planByList(model).placed), 'planned', openNights(model, plan.placed));
const result = resultOf(model, plan);
console.log(
  result.unplaced
    .filter((u) => u.why !== 'waits-for-unplaced')
    .slice(0, 8)
    .map((u) => u.id + ' ' + u.why),
);
console.log(result.finish, result.bound, result.unplaced.length);
const mark = (id: string) => openings.find((o) => o.id === id)!.mark;
for (const v of visitsOf(result.tasks, calendar.zone).slice(0, 60))
  console.log(
    v.from.slice(5, 16),
    v.to.slice(11, 16),
    mark(v.opening),
    v.place,
    v.people.join('+'),
    v.tasks.map((t) => t.step + (t.isLook ? '?' : '')).join(' '),
  );
for (const t of result.tonight)
  console.log(
    t.night.day,
    t.night.rain_mm?.toFixed(1),
    'open',
    t.open
      .map(
        (o) =>
          `${mark(o.opening)}:${o.evening.state}@${o.done} ${o.litres.toFixed(1)}${o.evening.noStop ? 'NOSTOP' : ''}`,
      )
      .join(' '),
    'drains',
    t.drains.map(mark).join(),
  );
for (const o of openings)
  console.log(
    o.mark,
    o.evenings
      .map((e) => ({ drains: '.', 'wets-framing': 'f', 'wets-room': 'R', 'not-checkable': '?' })[e.state])
      .join(''),
    o.build.steps.map((s) => (s.holdPoint ? 'H' : '-')).join(''),
  );
