/** Steps of the drained method with a head flap, wrap first. Order follows from `after`, laps are not written here. */
import type { Reason, StepRow } from '../method.ts';
import type { Operation } from '../../order/events.ts';

type Ops = readonly (readonly [op: Operation, thing: string, ...faces: string[]])[];

interface Row {
  readonly id: string;
  readonly when?: StepRow['when'];
  readonly physical?: readonly string[];
  readonly process?: readonly string[];
  readonly events?: Ops;
  readonly covers?: readonly string[];
  readonly hold?: true;
  readonly needs?: StepRow['needs'];
  readonly work_min: number;
  readonly rest_min?: number;
}

const ROWS = [
  { id: 'check-opening', events: [['look', 'opening']], needs: ['level'], work_min: 10 },
  {
    id: 'trim-opening',
    when: 'opening-must-be-trimmed',
    physical: ['check-opening'],
    needs: ['cutter'],
    work_min: 45,
  },
  {
    id: 'wrap',
    process: ['check-opening', 'trim-opening'],
    events: [['place', 'wrap']],
    needs: ['two-people', 'ladder'],
    work_min: 10,
  },
  {
    id: 'cut-flap',
    physical: ['wrap'],
    events: [
      ['cut', 'wrap', 'flap', 'flap-edge'],
      ['lift', 'wrap', 'flap', 'flap-edge'],
    ],
    needs: ['cutter', 'ladder'],
    work_min: 5,
  },
  {
    id: 'slope-board',
    physical: ['cut-flap'],
    process: ['trim-opening'],
    events: [
      ['place', 'board'],
      ['fasten', 'board'],
    ],
    needs: ['cutter'],
    work_min: 8,
  },
  {
    id: 'pan',
    physical: ['slope-board'],
    process: ['trim-opening'],
    events: [
      ['place', 'pan'],
      ['bond', 'pan'],
    ],
    covers: ['board'],
    hold: true,
    needs: ['dry', 'above-minimum-temperature', 'roller'],
    work_min: 10,
  },
  {
    id: 'jamb-flashing',
    physical: ['cut-flap'],
    process: ['pan'],
    events: [
      ['place', 'jamb-flashing-left'],
      ['bond', 'jamb-flashing-left'],
      ['place', 'jamb-flashing-right'],
      ['bond', 'jamb-flashing-right'],
    ],
    covers: ['pan'],
    needs: ['dry', 'above-minimum-temperature', 'roller'],
    work_min: 12,
  },
  {
    id: 'head-flashing',
    physical: ['cut-flap'],
    process: ['jamb-flashing'],
    events: [
      ['place', 'head-flashing'],
      ['bond', 'head-flashing'],
    ],
    needs: ['dry', 'above-minimum-temperature', 'roller', 'ladder'],
    work_min: 8,
  },
  {
    id: 'dry-fit',
    physical: ['slope-board'],
    process: ['jamb-flashing', 'head-flashing'],
    events: [
      ['place', 'sill-shims'],
      ['place', 'unit'],
      ['place', 'fin'],
      ['look', 'unit'],
      ['remove', 'fin'],
      ['remove', 'unit'],
    ],
    needs: ['two-people', 'level'],
    work_min: 8,
  },
  {
    id: 'bead',
    physical: ['dry-fit'],
    events: [['place', 'bead']],
    needs: ['dry', 'ventilation'],
    work_min: 4,
  },
  {
    id: 'set',
    physical: ['bead'],
    events: [
      ['place', 'unit'],
      ['place', 'fin'],
      ['bed', 'fin', 'left', 'head', 'right'],
      ['fasten', 'fin', 'left'],
    ],
    covers: ['bead'],
    needs: ['two-people', 'ladder'],
    work_min: 6,
  },
  {
    id: 'align',
    physical: ['set'],
    events: [
      ['place', 'jamb-shims'],
      ['look', 'unit'],
    ],
    hold: true,
    needs: ['two-people', 'level'],
    work_min: 10,
  },
  {
    id: 'fasten',
    process: ['align'],

    events: [['fasten', 'fin']],
    needs: ['ladder'],
    work_min: 10,
  },
  {
    id: 'jamb-tapes',
    physical: ['set'],
    process: ['fasten'],
    events: [
      ['place', 'jamb-tape-left'],
      ['bond', 'jamb-tape-left'],
      ['place', 'jamb-tape-right'],
      ['bond', 'jamb-tape-right'],
    ],
    covers: ['fin'],
    needs: ['dry', 'above-minimum-temperature', 'roller'],
    work_min: 6,
  },
  {
    id: 'head-tape',
    physical: ['set'],
    process: ['jamb-tapes'],
    events: [
      ['place', 'head-tape'],
      ['bond', 'head-tape'],
    ],
    covers: ['jamb-tape-left', 'jamb-tape-right'],
    hold: true,
    needs: ['dry', 'above-minimum-temperature', 'roller', 'ladder'],
    work_min: 4,
  },
  {
    id: 'flap-down',
    process: ['head-tape'],
    physical: ['cut-flap'],
    events: [
      ['return', 'wrap', 'flap', 'flap-edge'],
      ['cut', 'wrap', 'flap', 'flap-edge'],
      ['remove', 'wrap', 'flap-edge'],
    ],
    covers: ['head-tape'],
    needs: ['cutter', 'ladder'],
    work_min: 4,
  },
  {
    id: 'slit-tapes',
    physical: ['flap-down'],
    events: [
      ['place', 'slit-tape-left'],
      ['bond', 'slit-tape-left'],
      ['place', 'slit-tape-right'],
      ['bond', 'slit-tape-right'],
    ],
    needs: ['dry', 'above-minimum-temperature', 'roller', 'ladder'],
    work_min: 4,
  },
  {
    id: 'pull-shims',
    process: ['fasten'],
    physical: ['align'],
    events: [['remove', 'jamb-shims']],
    work_min: 3,
  },
  {
    id: 'foam',
    physical: ['pull-shims'],
    process: ['fasten'],
    events: [['fill', 'foam']],
    needs: ['ventilation'],
    work_min: 10,
    rest_min: 60,
  },
  { id: 'operate', process: ['foam'], physical: ['fasten'], events: [['look', 'unit']], work_min: 3 },
  {
    id: 'inner-seal',
    physical: ['foam'],
    process: ['operate'],
    events: [
      ['place', 'seal-sill'],
      ['bond', 'seal-sill'],
      ['place', 'seal-left'],
      ['bond', 'seal-left'],
      ['place', 'seal-right'],
      ['bond', 'seal-right'],
      ['place', 'seal-head'],
      ['bond', 'seal-head'],
    ],
    covers: ['foam'],
    hold: true,
    needs: ['dry', 'roller'],
    work_min: 20,
  },
  { id: 'release', process: ['inner-seal', 'slit-tapes'], events: [['look', 'opening']], work_min: 5 },
] as const satisfies readonly Row[];

export type DrainedStepId = (typeof ROWS)[number]['id'];

const because = (reason: Reason) => (step: string) => ({ step, because: reason });

export const drainedSteps: readonly StepRow[] = (ROWS as readonly Row[]).map((row) => ({
  id: row.id,
  when: row.when ?? 'always',
  after: [...(row.physical ?? []).map(because('physical')), ...(row.process ?? []).map(because('process'))],
  events: (row.events ?? []).map(([op, thing, ...faces]) =>
    faces.length > 0 ? { op, thing, faces } : { op, thing },
  ),
  covers: row.covers ?? [],
  holdPoint: row.hold ?? false,
  needs: row.needs ?? [],
  work_min: row.work_min,
  rest_min: row.rest_min ?? 0,
  source: 'common practice, no source',
}));
