/** Building models written line by line as the standard has them, with nothing of what reads or writes them here. */

export interface HandModel {
  readonly schema?: 'IFC4' | 'IFC2X3';
  /** Unit of length; sizes below are in mm. */
  readonly unit?: 'mm' | 'm' | 'ft' | 'none';
  /** How far the storey is turned, degrees. */
  readonly turned?: number;
  readonly walls?: number;
  /** Openings in each wall. */
  readonly each?: number;
  readonly width?: number;
  readonly height?: number;
  readonly sill?: number;
  readonly layers?: boolean;
  /** What says how large a unit is. */
  readonly size?: 'parameters' | 'rectangle' | 'polyline' | 'across' | 'round' | 'tilted' | 'nothing';
}

const IN: Readonly<Record<string, number>> = { mm: 1, m: 1000, ft: 304.8, none: 1 };

/** A square house: walls along its sides, each with openings in a row. */
export function handModel(of: HandModel = {}): string {
  const {
    schema = 'IFC4',
    unit = 'mm',
    turned = 0,
    walls = 4,
    each = 1,
    width = 914.4,
    height = 1219.2,
    sill = 762,
    layers = true,
    size = 'parameters',
  } = of;
  const lines: string[] = [];
  const add = (line: string): string => {
    lines.push(`#${lines.length + 1}=${line};`);
    return `#${lines.length}`;
  };
  const n = (mm: number) => {
    const text = String(mm / (IN[unit] ?? 1));
    return text.includes('.') || text.includes('e') ? text.replace('e', 'E') : `${text}.`;
  };
  const plain = (x: number) => (String(x).includes('.') ? String(x).replace('e', 'E') : `${x}.`);
  let ids = 0;
  const guid = () => `'${String(ids++).padStart(22, '0')}'`;
  const point = (x: number, y: number, z: number) => add(`IFCCARTESIANPOINT((${n(x)},${n(y)},${n(z)}))`);
  const flat = (x: number, y: number) => add(`IFCCARTESIANPOINT((${n(x)},${n(y)}))`);
  const direction = (...to: number[]) => add(`IFCDIRECTION((${to.map(plain).join(',')}))`);
  const axes = (at: string, z = '$', x = '$') => add(`IFCAXIS2PLACEMENT3D(${at},${z},${x})`);
  const place = (under: string, at: string) => add(`IFCLOCALPLACEMENT(${under},${at})`);

  const si = add(`IFCSIUNIT(*,.LENGTHUNIT.,${unit === 'mm' ? '.MILLI.' : '$'},.METRE.)`);
  const feet =
    unit === 'ft'
      ? add(
          `IFCCONVERSIONBASEDUNIT(${add('IFCDIMENSIONALEXPONENTS(1,0,0,0,0,0,0)')},.LENGTHUNIT.,'FOOT',${add(
            `IFCMEASUREWITHUNIT(IFCLENGTHMEASURE(0.3048),${si})`,
          )})`,
        )
      : si;
  const units = add(
    `IFCUNITASSIGNMENT((${unit === 'none' ? add('IFCSIUNIT(*,.AREAUNIT.,$,.SQUARE_METRE.)') : feet}))`,
  );
  const world = axes(point(0, 0, 0));
  const context = add(`IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-05,${world},${direction(0, 1)})`);
  const project = add(`IFCPROJECT(${guid()},$,'Hand model',$,$,$,$,(${context}),${units})`);
  const turn = (turned * Math.PI) / 180;
  const storeyPlace = place(
    '$',
    axes(point(5000, -3000, 2700), direction(0, 0, 1), direction(Math.cos(turn), Math.sin(turn), 0)),
  );
  const storey = add(
    `IFCBUILDINGSTOREY(${guid()},$,'Upper floor',$,$,${storeyPlace},$,$,.ELEMENT.,${n(2700)})`,
  );
  add(`IFCRELAGGREGATES(${guid()},$,$,$,${project},(${storey}))`);
  const far = 1000 + each * 2000;
  const contained: string[] = [];
  const sides = Array.from({ length: walls }, (_, i) => i);
  const wallLines: string[] = [];
  for (const side of sides) {
    const angle = (side * Math.PI) / 2;
    // Round the square against the clock: outside lies to the right of each wall's way.
    const corner = [
      [0, 0],
      [far, 0],
      [far, far],
      [0, far],
    ][side % 4] ?? [0, 0];
    const wallPlace = place(
      storeyPlace,
      axes(
        point(corner[0] ?? 0, corner[1] ?? 0, 0),
        direction(0, 0, 1),
        direction(Math.cos(angle), Math.sin(angle), 0),
      ),
    );
    const axis = add(`IFCPOLYLINE((${flat(0, 0)},${flat(far, 0)}))`);
    const shape = add(`IFCSHAPEREPRESENTATION(${context},'Axis','Curve2D',(${axis}))`);
    const wall = add(
      `IFCWALLSTANDARDCASE(${guid()},$,'Wall ${side}',$,'Outer wall',${wallPlace},${add(`IFCPRODUCTDEFINITIONSHAPE($,$,(${shape}))`)},$${schema === 'IFC4' ? ',$' : ''})`,
    );
    wallLines.push(wall);
    contained.push(wall);
    for (let i = 0; i < each; i++) {
      const u = 1000 + i * 2000;
      const isAcross = size === 'across' || size === 'tilted';
      // Across: the profile lies in the wall's face, and goes through the wall.
      const tilt = size === 'tilted' ? 0.2 : 0;
      const holeAxes = isAcross
        ? axes(point(u, 0, sill), direction(0, -1, 0), direction(Math.cos(tilt), 0, Math.sin(tilt)))
        : axes(point(u, 0, sill));
      const holePlace = place(wallPlace, holeAxes);
      const [a, b, deep] = isAcross ? [width, height, 300] : [width, 300, height];
      const profile =
        size === 'round'
          ? add(`IFCCIRCLEPROFILEDEF(.AREA.,$,$,${n(width / 2)})`)
          : size === 'polyline'
            ? add(
                `IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,${(() => {
                  const first = flat(0, 0);
                  return add(`IFCPOLYLINE((${first},${flat(a, 0)},${flat(a, b)},${flat(0, b)},${first}))`);
                })()})`,
              )
            : add(
                `IFCRECTANGLEPROFILEDEF(.AREA.,$,${add(`IFCAXIS2PLACEMENT2D(${flat(a / 2, b / 2)},$)`)},${n(a)},${n(b)})`,
              );
      const solid = add(
        `IFCEXTRUDEDAREASOLID(${profile},${axes(point(0, 0, 0))},${direction(0, 0, 1)},${n(deep)})`,
      );
      const holeShape =
        size === 'nothing'
          ? '$'
          : add(
              `IFCPRODUCTDEFINITIONSHAPE($,$,(${add(`IFCSHAPEREPRESENTATION(${context},'Body','SweptSolid',(${solid}))`)}))`,
            );
      const hole = add(
        `IFCOPENINGELEMENT(${guid()},$,'Hole',$,$,${holePlace},${holeShape},$${schema === 'IFC4' ? ',.OPENING.' : ''})`,
      );
      add(`IFCRELVOIDSELEMENT(${guid()},$,$,$,${wall},${hole})`);
      const [h, w] = size === 'parameters' ? [n(height), n(width)] : ['$', '$'];
      const window = add(
        `IFCWINDOW(${guid()},$,'Fen\\X2\\00EA\\X0\\tre ${side}-${i}',$,'Type ${side % 2}',${place(holePlace, axes(point(0, 0, 0)))},$,'W${side}-${i}',${h},${w}${schema === 'IFC4' ? ',.WINDOW.,$,$' : ''})`,
      );
      add(`IFCRELFILLSELEMENT(${guid()},$,$,$,${hole},${window})`);
      contained.push(window);
      if (i > 0) continue;
      const u1 = add(
        `IFCPROPERTYSINGLEVALUE('ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE(1.1),$)`,
      );
      const fire = add(`IFCPROPERTYSINGLEVALUE('FireRating',$,IFCLABEL('EI 30'),$)`);
      const outside = add(`IFCPROPERTYSINGLEVALUE('IsExternal',$,IFCBOOLEAN(.T.),$)`);
      const set = add(`IFCPROPERTYSET(${guid()},$,'Pset_WindowCommon',$,(${u1},${fire},${outside}))`);
      add(`IFCRELDEFINESBYPROPERTIES(${guid()},$,$,$,(${window}),${set})`);
    }
  }
  add(`IFCRELCONTAINEDINSPATIALSTRUCTURE(${guid()},$,$,$,(${contained.join(',')}),${storey})`);
  if (layers) {
    const layer = (material: string, mm: number) =>
      schema === 'IFC4'
        ? add(`IFCMATERIALLAYER(${add(`IFCMATERIAL('${material}',$,$)`)},${n(mm)},$,$,$,$,$)`)
        : add(`IFCMATERIALLAYER(${add(`IFCMATERIAL('${material}')`)},${n(mm)},$)`);
    const set = add(
      `IFCMATERIALLAYERSET((${layer('Gypsum board', 12.5)},${layer('Timber stud 140', 140)},${layer('Plywood', 12)},${layer('Wood siding', 21)}),'Outer wall'${schema === 'IFC4' ? ',$' : ''})`,
    );
    const use = add(`IFCMATERIALLAYERSETUSAGE(${set},.AXIS2.,.POSITIVE.,0.${schema === 'IFC4' ? ',$' : ''})`);
    add(`IFCRELASSOCIATESMATERIAL(${guid()},$,$,$,(${wallLines.join(',')}),${use})`);
  }
  return [
    'ISO-10303-21;',
    'HEADER;',
    `FILE_DESCRIPTION((''),'2;1');`,
    `FILE_NAME('hand.ifc','2026-11-30T00:00:00',(''),(''),'','','');`,
    `FILE_SCHEMA(('${schema}'));`,
    'ENDSEC;',
    'DATA;',
    ...lines,
    'ENDSEC;',
    'END-ISO-10303-21;',
    '',
  ].join('\n');
}
