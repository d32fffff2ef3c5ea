/** Words of the proofs of air, joint, moisture and loads, and of all of them together. */
import {
  airThingText,
  inSentence,
  kindInSentence,
  cornerTexts,
  liftTexts,
  measureFigure,
  measureIn,
  measureUnit,
  MOST_HANDS,
  PERSON_kg,
  SILL_cm,
  placeOfLine,
  sideTexts,
  stepText,
  vapourLayerText,
  weakTexts,
  type AirCorner,
  type Band,
  type CutId,
  type Figures,
  type Interrupter,
  type JointBalance,
  type JointDesign,
  type JointLeakage,
  type LengthUnit,
  type Lift,
  type LiftLimit,
  type MeasureKind,
  type MonthlyMoisture,
  type WeakPlaces,
  type WithoutPiece,
} from '@hulvek/core';

const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
const thing = (id: string): string => kindInSentence(airThingText(id));
const side = (cut: CutId): string =>
  ({ head: 'Head', left: 'Left jamb', right: 'Right jamb', sill: 'Sill' })[cut];
/** A band of what is read: it is no better known than to two figures. */
const band = (kind: MeasureKind, [least, most]: Band, f: Figures): string => {
  const digits = measureIn(kind, most, f.system) < 10 ? 1 : 0;
  return `${measureFigure(kind, least, f.system, digits)} to ${f.measure(kind, most, digits)}`;
};
/** “Cheapest” by prices that nobody here entered says so. */
const byInvented = (invented: boolean): string => (invented ? ', by invented prices' : '');

export const proofIds = ['whole', 'water', 'air', 'heat', 'joint', 'moisture', 'loads'] as const;
export type ProofId = (typeof proofIds)[number];

export const proveText = {
  proofs: {
    whole: 'Whole',
    water: 'Water',
    air: 'Air',
    heat: 'Heat',
    joint: 'Joint',
    moisture: 'Moisture',
    loads: 'Loads',
  } satisfies Record<ProofId, string>,
  choose: 'Which proof',
  findings: 'What it says',
  noFindings: 'Nothing to mend in what was checked.',
  undo: 'Undo',
  side,
  whole: {
    title: 'All proofs of this opening',
    lead: 'Each mark says whether a check held against a limit, not that anything is safe. The local code, the makers’ instructions and licensed people go before it.',
    findings: 'What is to be done',
    sheet: 'Proof sheet (PDF)',
    compare: 'Compare methods',
    fit: 'Fit',
    waterSays: (wet: number, single: number): string =>
      wet > 0
        ? `Gets wet from ${wet} ${wet === 1 ? 'place' : 'places'}.`
        : single > 0
          ? `Stays dry; ${single} ${single === 1 ? 'bond has' : 'bonds have'} nothing behind ${single === 1 ? 'it' : 'them'}.`
          : 'Every source is shed or let out.',
    airSays: (open: readonly (CutId | AirCorner)[], closes: number | null): string =>
      open.length > 0
        ? `Open at the ${list(open.map(placeOfLine))}.`
        : `Closes on four sides and four corners${closes === null ? '' : `, with step ${closes}`}.`,
    heatSays: (C: number | null, share: number | null, f: Figures): string =>
      C === null || share === null
        ? 'Being solved…'
        : `Coldest judged surface ${f.measure('temperature', C, 1)}, f ${share.toFixed(2)}.`,
    jointSays: (chosen: string, recommended: string | null, invented: boolean): string =>
      recommended === null
        ? `${chosen}. Nothing else would do.`
        : recommended === chosen
          ? `${chosen}: the cheapest that works here${byInvented(invented)}.`
          : `${chosen}. ${recommended} would cost less${byInvented(invented)}.`,
    moistureSays: (outcome: MonthlyMoisture['outcome'] | null): string =>
      outcome === null
        ? 'The job has no months: only the joint is judged.'
        : {
            none: 'No condensate in the wall over the year.',
            dries: 'Condensate in winter, dry within the year.',
            gathers: 'Condensate that does not dry.',
          }[outcome],
    loadsSays: (kg: number | null, people: number | null, each_N: number | null, f: Figures): string =>
      [
        kg === null
          ? 'Weight not known'
          : `${f.measure('mass', kg, 0)}, ${people === null ? '' : people > 4 ? 'a lift' : people === 1 ? 'one person' : `${people} people`}`,
        each_N === null ? 'wind not known' : `${f.measure('force', each_N)} on the most loaded fastener`,
      ].join('; ') + '.',
    nothing:
      'Nothing is planned yet. Choose wall, unit and method under Detail and enter a width and a height.',
  },
  air: {
    title: 'Air',
    views: 'What is shown of the pen line',
    closed: 'The pen goes round four sides and four corners without being lifted.',
    open: (where: readonly (CutId | AirCorner)[]): string =>
      `The pen has to be lifted at the ${list(where.map(placeOfLine))}.`,
    closes: (number: number, of: number, id: string): string =>
      `Airtight from step ${number} of ${of} on: ${inSentence(stepText(id).title)}. A leak found before the next trade is cheap.`,
    waits: (layer: string): string =>
      `That counts on the ${thing(layer)}, which comes later: until then the line ends at the framing.`,
    atStep: (closed: boolean): string =>
      closed ? 'Closed at this moment of the work.' : 'Open at this moment of the work.',
    hidden: 'An old frame hides how it meets its wall: not checkable.',
    side: 'Side',
    line: 'From wall to frame',
    second: 'If the seal failed',
    none: 'nothing behind it',
    run: (line: readonly string[]): string =>
      line.map((id) => (id === 'unit' ? 'frame' : thing(id))).join(' → '),
    lift: ({ kind, between, width_mm }: Lift, length: (mm: number) => string): string =>
      `Lifted over ${length(Math.round(width_mm))}: ${thing(between[0])} | ${between[1] === 'unit' ? 'frame' : thing(between[1])}, ${liftTexts[kind]}`,
    corners: 'Corners',
    corner: (corner: AirCorner): string => cornerTexts[corner],
    passes: 'passes',
    lifted: 'lifted',
    through: 'What stands in a seal',
    throughOf: ({ side: cut, thing: id, member, count }: Interrupter): string =>
      `${side(cut)}: ${count} × ${thing(id)} in the ${thing(member)}`,
    weak: 'Small places along the line',
    weakOf: ({ kind, count }: WeakPlaces): string => `${count} ${weakTexts[kind]}`,
    later: 'Who comes later and may cut it',
    laterOf: (members: readonly string[]): string => `reaches ${list([...new Set(members.map(thing))])}`,
    guarded: 'A guard strip lies over the edge.',
    without: 'If a piece is not there',
    ask: 'Try each piece',
    opens: ({ opens, second }: WithoutPiece): string =>
      opens.length > 0
        ? `opens ${list(opens.map((where) => `the ${placeOfLine(where)}`))}`
        : `a second line holds: ${Object.entries(second)
            .map(([, line]) => line?.slice(1, -1).map(thing).join(' → '))
            .filter((words, i, all) => all.indexOf(words) === i)
            .join('; ')}`,
    tries: 'Leave out or lose a piece',
    leakage: 'How much air',
    bands: (
      { sealed_cm2, open_cm2, sealed50, open50, wall }: JointLeakage,
      f: Figures,
    ): { name: string; area: string; flow: string }[] => [
      {
        name: `Joint sealed, ${wall === 'masonry' ? 'masonry' : 'timber'} wall`,
        area: band('leakage', sealed_cm2, f),
        flow: band('flow', sealed50, f),
      },
      { name: 'Joint not sealed', area: band('leakage', open_cm2, f), flow: band('flow', open50, f) },
    ],
    area: 'Leakage area at 4 Pa',
    flow: 'Air at 50 Pa',
    leakageNote:
      'Window framing by tabulated leakage areas (ASHRAE Fundamentals, from memory), with Q as Δp to the power of 0.65. One band each: four figures cannot rank a tape against a rod or foam.',
    note: 'The line is traced through what touches and sticks in every section round the frame. A crack between two members of the framing is not seen, nor leaks of the unit itself.',
  },
  joint: {
    title: 'Joint',
    measured: 'The joint as measured, to the flashed reveal',
    least: 'Least',
    most: 'Most',
    needs: 'Sealant needs',
    notMeasured: 'as drawn',
    options: 'Ways to seal it to the room',
    fills: 'What fills it',
    how: 'How',
    cost: 'Cost',
    time: 'Time',
    chosen: 'chosen',
    recommended: (invented: boolean) => `cheapest that works${byInvented(invented)}`,
    only: 'the only one without a but',
    take: 'Take it',
    minutes: (n: number): string => `${Math.round(n)} min`,
    money: (n: number, currency: string | undefined): string =>
      currency === undefined ? `${n.toFixed(2)} (money not named)` : `${currency} ${n.toFixed(2)}`,
    amounts: 'Quantities',
    chart: 'Cost against width of the joint, all round this opening',
    chartLabel: 'Cost of each seal against the width of the joint',
    width: 'Joint',
    table: 'The same as a table',
    tip: (mm: number | null, length: (mm: number) => string): string =>
      mm === null
        ? 'With these prices sealant stays cheaper than corner tape at any width.'
        : `From ${length(mm)} on corner tape costs less than sealant on a rod, with this job’s prices.`,
    because: ({ because, recommended }: JointDesign, name: string, invented: boolean): string =>
      recommended === null
        ? 'No seal works on every side as the joint is. Change the joint first.'
        : because === 'only'
          ? `${name}: the only one that works on every side without anything to see to.`
          : `${name}: the cheapest of those that work on every side${byInvented(invented)}.`,
    season: ({ season }: JointDesign, material: string, f: Figures): string =>
      `Frame of ${material}, sealed at ${f.measure('temperature', season.installed_C)}, from ${f.measure('temperature', season.coldest_C)} to ${f.measure('temperature', season.hottest_C)} over the year (as the frame feels it); sealant of class ±${season.movement * 100} %. At the sill the frame stands on its shims and does not move.`,
    assumed: 'vinyl, since the unit does not say',
    prices:
      'Prices, times and season are the job’s own to change: usual, invented figures stand in. Ranges of bands and foams are common practice, no source; depth, rod and movement by ASTM C1193 and C1472, from memory.',
    nothing: 'The joint is designed once width, height, wall, unit and method are known.',
  },
  moisture: {
    title: 'Moisture',
    joint: 'Which way the joint dries',
    jointSays: ({ inner_m, outer_m, twoClosed, drains }: JointBalance, f: Figures): string =>
      `Inner seal ${vapour(inner_m, f)}, outer ${vapour(outer_m, f)}. ${
        inner_m >= outer_m ? 'It dries outward.' : 'It is tighter outside than inside.'
      }${twoClosed ? ' Both sides count as closed: what is built in wet stays wet.' : ''} ${drains ? 'The open sill lets damp out.' : 'Nothing drains or dries at the sill.'}`,
    surface: 'How far the coldest surfaces are from damp',
    aboveDew: 'Above dew point',
    aboveDamp: 'Above 80 %',
    wall: 'The wall over twelve months',
    noMonths:
      'The job has no months yet. Enter them under Site on the job’s page: by hand, generated, or from a weather file.',
    noMethod:
      'A layer lets heat or vapour through without any resistance: the monthly method has no answer. Look at the layers.',
    source: (source: 'hand' | 'generator' | 'epw', note: string): string =>
      `${{ hand: 'Entered by hand', generator: 'Generated, invented', epw: 'From a weather file' }[source]}${note ? `: ${note}` : ''}.`,
    outcome: ({ outcome, most_kg_m2, left_kg_m2 }: MonthlyMoisture, f: Figures): string =>
      outcome === 'none'
        ? 'No condensate in any month.'
        : `Up to ${f.measure('film', most_kg_m2)}; ${outcome === 'dries' ? 'dry again within the year' : `${f.measure('film', left_kg_m2)} left after a year`}.`,
    where: (between: readonly [number, number], names: readonly string[]): string =>
      between[0] === between[1]
        ? `within ${vapourLayerText(names[between[0]] ?? null)}`
        : `${vapourLayerText(names[between[0]] ?? null)} | ${vapourLayerText(names[between[1]] ?? null)}`,
    layers: 'Layers from the weather to the room',
    layer: 'Layer',
    r: 'R',
    sd: (reads: LengthUnit) => (reads === 'mm' ? 'As still air (sd)' : 'Permeance'),
    chart: (reads: LengthUnit) => `Condensate at the end of each month, ${measureUnit('film', reads)}`,
    month: 'Month',
    note: 'Monthly method of ISO 13788, from memory: steady heat and vapour in each month. It knows no storage, no air that carries damp through leaks, no rain and no capillary transport. Layers before a ventilated cavity count as weather. Values of materials by ISO 10456, from memory; sheets are common practice, no source: a material of the job goes before.',
    nothing: 'Moisture is judged once width, height, wall, unit and method are known.',
  },
  loads: {
    title: 'Loads and hands',
    weight: 'Weight and hands',
    noWeight: 'Nobody said what this unit weighs. Enter its weight or its panes with the unit.',
    hands: (f: Figures): string =>
      `Held against ${MOST_HANDS} people with ${f.measure('mass', PERSON_kg, 0)} each, or what the job says one carries.`,
    alone: (f: Figures): string => `What one person should lift onto a sill ${f.length(SILL_cm * 10)} up`,
    fromFloor: 'from the floor',
    fromBench: 'from a bench',
    limit: ({ limit_kg }: LiftLimit, f: Figures): string => f.measure('mass', limit_kg),
    multipliers: ({ multipliers: m }: LiftLimit): string =>
      `23·${[m.HM, m.VM, m.DM, m.AM, m.CM].map((x) => x.toFixed(2)).join('·')}`,
    aloneNote:
      'NIOSH lifting equation, 1994, from memory. It is for one person with two hands on sure ground, now and then; it does not cover a shared lift, ladders, or one hand.',
    wind: 'Wind on the fasteners',
    noWind: 'Needs the site’s wind and this opening’s height: enter them under Water, “wind and rain”.',
    side: 'Side',
    count: 'Fasteners',
    each: 'On each',
    total: (N: number, Pa: number, f: Figures): string =>
      `${f.measure('force', N)} on the whole unit at ${f.measure('pressure', Pa)}.`,
    limitSaid: (N: number, f: Figures): string => `Stated limit ${f.measure('force', N)} on each.`,
    noLimit:
      'Nobody stated what one fastener carries here: not checkable. Ask the maker or an engineer and enter it with the unit.',
    windNote:
      'Simple statics: each point leans on the nearest side that holds. Prying, edge distances and the frame’s own stiffness are not counted; licensed practice goes before this.',
    bearing: 'On the foam buck',
    bearingSays: (load: number, limit: number, f: Figures): string =>
      `${f.measure('lineLoad', load)} of sill, usual limit ${f.measure('lineLoad', limit)} (a maker’s value; common practice, no source).`,
    altitude: 'Glass from another altitude',
    altitudeSays: (Pa: number, limit: number, f: Figures): string =>
      `${f.measure('pressure', Math.abs(Pa))} ${Pa < 0 ? 'less' : 'more'} outside than where it was closed; from ${f.measure('pressure', limit)} on ask the maker (ISO 2533, from memory).`,
    nothing: 'Loads are worked out once width, height, wall, unit and method are known.',
  },
  sheet: {
    wall: 'Wall',
    method: 'Method',
    made: 'Made',
    by: (person: string, at: Date): string =>
      `${at.toISOString().slice(0, 16).replace('T', ' ')} UTC${person ? ` by ${person}` : ''}`,
    cuts: 'The finished wall in four cuts',
    cutsLead:
      'Weather on the left. Dashed: the pen line from the wall’s air layer to the frame; a cross where the pen has to be lifted.',
  },
  job: {
    lead: 'Which opening fails which proof. Heat is solved by itself after every change; figures are under Heat.',
    search: 'Find an opening',
    only: 'Show',
    all: 'All openings',
    failing: 'Only what fails',
    watching: 'What fails or is to be watched',
    opening: 'Opening',
    first: 'Gravest finding',
    summary: (fails: number, of: number): string =>
      fails === 0 ? `Nothing fails in ${of} openings.` : `${fails} of ${of} openings fail something.`,
    none: 'No opening matches.',
    leakage: 'Joints of the whole job',
    leakageSays: (sealed: Band, open: Band, lines: number, of: number, f: Figures): string =>
      `${of} joints: ${band('flow', sealed, f)} at 50 Pa if all are sealed, ${band('flow', open, f)} if none is. The pen line closes at ${lines} of ${of}.`,
    empty: 'No openings yet. Add some on the job’s first page.',
  },
} as const;

/** Two figures of what is read: seals differ by powers of ten. */
const vapour = (sd_m: number, f: Figures): string =>
  f.system === 'mm'
    ? `as tight as ${f.measure('vapour', sd_m, sd_m < 10 ? 1 : 0)} of still air`
    : f.measure('vapour', sd_m, sd_m > 35 ? 3 : sd_m > 3.5 ? 2 : 1);
export const sideName = (name: 'left' | 'right' | 'head' | 'sill'): string => sideTexts[name];
