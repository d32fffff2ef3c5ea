/**
 * Looks at an exchange file without any library: lines, references, how many attributes of which kind, ids, where things are
 * contained. Attribute lists from ISO 16739-1:2018 (IFC4), from memory: r real, i whole number, s text, e word, # reference,
 * ( list, t typed value, * derived, g GlobalId; a small o before one says that it may be left out.
 */
const ATTRIBUTES: Readonly<Record<string, string>> = {
  IFCPROJECT: 'g o# os os os os os o( o#',
  IFCSITE: 'g o# os os os o# o# os oe o( o( or os o#',
  IFCBUILDING: 'g o# os os os o# o# os oe or or o#',
  IFCBUILDINGSTOREY: 'g o# os os os o# o# os oe or',
  IFCWALL: 'g o# os os os o# o# os oe',
  IFCOPENINGELEMENT: 'g o# os os os o# o# os oe',
  IFCWINDOW: 'g o# os os os o# o# os or or oe oe os',
  IFCDOOR: 'g o# os os os o# o# os or or oe oe os',
  IFCRELAGGREGATES: 'g o# os os # (',
  IFCRELVOIDSELEMENT: 'g o# os os # #',
  IFCRELFILLSELEMENT: 'g o# os os # #',
  IFCRELCONTAINEDINSPATIALSTRUCTURE: 'g o# os os ( #',
  IFCRELASSOCIATESMATERIAL: 'g o# os os ( #',
  IFCRELDEFINESBYPROPERTIES: 'g o# os os ( #',
  IFCPROPERTYSET: 'g o# os os (',
  IFCPROPERTYSINGLEVALUE: 's os ot o#',
  IFCMATERIAL: 's os os',
  IFCMATERIALLAYER: 'o# r oe os os os oi',
  IFCMATERIALLAYERSET: '( os os',
  IFCMATERIALLAYERSETUSAGE: '# e e r or',
  IFCCARTESIANPOINT: '(',
  IFCDIRECTION: '(',
  IFCAXIS2PLACEMENT2D: '# o#',
  IFCAXIS2PLACEMENT3D: '# o# o#',
  IFCLOCALPLACEMENT: 'o# #',
  IFCRECTANGLEPROFILEDEF: 'e os o# r r',
  IFCEXTRUDEDAREASOLID: '# o# # r',
  IFCSHAPEREPRESENTATION: '# os os (',
  IFCPRODUCTDEFINITIONSHAPE: 'os os (',
  IFCGEOMETRICREPRESENTATIONCONTEXT: 'os os i or # o#',
  IFCGEOMETRICREPRESENTATIONSUBCONTEXT: 'os os * * * * # or e os',
  IFCSIUNIT: '* e oe e',
  IFCUNITASSIGNMENT: '(',
};

const KINDS: Readonly<Record<string, RegExp>> = {
  r: /^-?\d+\.\d*(E[-+]?\d+)?$/,
  i: /^-?\d+$/,
  s: /^'([ -&(-[\]-~]|''|\\\\|\\X2\\([0-9A-F]{4})+\\X0\\|\\X4\\([0-9A-F]{8})+\\X0\\)*'$/,
  e: /^\.[A-Z0-9_]+\.$/,
  '#': /^#\d+$/,
  '(': /^\(.*\)$/s,
  t: /^IFC[A-Z]+\(.+\)$/s,
  '*': /^\*$/,
  g: /^'[0-3][0-9A-Za-z_$]{21}'$/,
};

/** Splits at commas outside of brackets and texts. */
function attributes(body: string): string[] {
  const out: string[] = [];
  let [deep, inText, from] = [0, false, 0];
  for (let i = 0; i < body.length; i++) {
    const sign = body[i];
    if (sign === "'") inText = !inText;
    if (inText) continue;
    if (sign === '(') deep++;
    if (sign === ')') deep--;
    if (sign === ',' && deep === 0) {
      out.push(body.slice(from, i));
      from = i + 1;
    }
  }
  return [...out, body.slice(from)];
}

export interface StepLine {
  readonly type: string;
  readonly values: readonly string[];
}

/** Everything that is wrong in a file, in words; and its lines. */
export function checkStep(file: string): { problems: string[]; lines: Map<number, StepLine> } {
  const problems: string[] = [];
  const lines = new Map<number, StepLine>();
  const data = /\nDATA;\n([\s\S]*)\nENDSEC;\nEND-ISO-10303-21;\n$/.exec(file)?.[1];
  if (data === undefined || !file.startsWith('ISO-10303-21;\nHEADER;\n'))
    return { problems: ['no sections'], lines };
  for (const text of data.split('\n')) {
    const [, id, type, body] = /^#(\d+)=([A-Z0-9]+)\((.*)\);$/.exec(text) ?? [];
    if (id === undefined || type === undefined || body === undefined)
      problems.push(`no line: ${text.slice(0, 60)}`);
    else if (lines.has(Number(id))) problems.push(`#${id} twice`);
    else lines.set(Number(id), { type, values: attributes(body) });
  }
  const ids = new Set<string>();
  for (const [id, { type, values }] of lines) {
    const asked = ATTRIBUTES[type]?.split(' ');
    if (!asked) problems.push(`#${id}: no entity ${type}`);
    else if (asked.length !== values.length)
      problems.push(`#${id} ${type}: ${values.length} attributes, not ${asked.length}`);
    else
      values.forEach((value, i) => {
        const ask = asked[i] ?? '';
        const kind = KINDS[ask.replace('o', '')];
        if (!(ask.startsWith('o') && value === '$') && !kind?.test(value))
          problems.push(`#${id} ${type}: attribute ${i + 1} is ${value.slice(0, 30)}, not ${ask}`);
      });
    for (const [, ref] of values
      .join(',')
      .replaceAll(/'([^']|'')*'/g, '')
      .matchAll(/#(\d+)/g)) {
      if (!lines.has(Number(ref))) problems.push(`#${id} names #${ref}, which is not there`);
      else if (Number(ref) >= id) problems.push(`#${id} names #${ref} before it is there`);
    }
    if (asked?.[0] === 'g') {
      if (ids.has(values[0] ?? '')) problems.push(`#${id}: GlobalId ${values[0]} twice`);
      ids.add(values[0] ?? '');
    }
  }
  return { problems: [...problems, ...containment(lines)], lines };
}

const refsIn = (value = ''): number[] => [...value.matchAll(/#(\d+)/g)].map(([, ref]) => Number(ref));

/** Walls and units are contained once, holes void one wall, storeys hang on the project. */
function containment(lines: ReadonlyMap<number, StepLine>): string[] {
  const count = new Map<number, number>();
  const under = new Map<number, number>();
  const tally = (ids: readonly number[]) => ids.forEach((id) => count.set(id, (count.get(id) ?? 0) + 1));
  for (const { type, values } of lines.values()) {
    if (type === 'IFCRELCONTAINEDINSPATIALSTRUCTURE') tally(refsIn(values[4]));
    if (type === 'IFCRELVOIDSELEMENT') tally(refsIn(values[5]));
    if (type === 'IFCRELAGGREGATES')
      for (const part of refsIn(values[5])) under.set(part, refsIn(values[4])[0] ?? 0);
  }
  const problems: string[] = [];
  for (const [id, { type }] of lines) {
    if (['IFCWALL', 'IFCWINDOW', 'IFCDOOR', 'IFCOPENINGELEMENT'].includes(type) && count.get(id) !== 1)
      problems.push(`#${id} ${type} is contained ${count.get(id) ?? 0} times`);
    if (!['IFCSITE', 'IFCBUILDING', 'IFCBUILDINGSTOREY'].includes(type)) continue;
    let at: number | undefined = id;
    for (let i = 0; at !== undefined && i < 9; i++) {
      if (lines.get(at)?.type === 'IFCPROJECT') break;
      at = under.get(at);
    }
    if (at === undefined) problems.push(`#${id} ${type} does not hang on the project`);
  }
  return problems;
}
