/** The smallest workbook that a spreadsheet opens, for tests: one sheet, words in place, figures as figures. */
import { strToU8, zipSync } from 'fflate';

const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const RELATIONS = 'http://schemas.openxmlformats.org/package/2006/relationships';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const SHEET = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
const PACKAGE = 'application/vnd.openxmlformats-package.relationships+xml';

const xml = (body: string): Uint8Array =>
  strToU8(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>${body}`);

function cell(value: string | number, at: string): string {
  return typeof value === 'number'
    ? `<c r="${at}"><v>${value}</v></c>`
    : value.startsWith('=')
      ? // With the value it was saved with.
        `<c r="${at}"><f>${value.slice(1)}</f><v>900</v></c>`
      : `<c r="${at}" t="inlineStr"><is><t>${value}</t></is></c>`;
}

export function workbook(rows: readonly (readonly (string | number)[])[]): Uint8Array<ArrayBuffer> {
  const lines = rows.map((cells, r) => {
    const row = cells.map((value, c) => cell(value, `${String.fromCharCode(65 + c)}${r + 1}`));
    return `<row r="${r + 1}">${row.join('')}</row>`;
  });
  return zipSync({
    '[Content_Types].xml': xml(
      `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="${PACKAGE}"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="${SHEET}.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="${SHEET}.worksheet+xml"/></Types>`,
    ),
    '_rels/.rels': xml(
      `<Relationships xmlns="${RELATIONS}"><Relationship Id="r1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': xml(
      `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="Openings" sheetId="1" r:id="r1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': xml(
      `<Relationships xmlns="${RELATIONS}"><Relationship Id="r1" Type="${OFFICE}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': xml(
      `<worksheet xmlns="${MAIN}"><sheetData>${lines.join('')}</sheetData></worksheet>`,
    ),
  });
}
