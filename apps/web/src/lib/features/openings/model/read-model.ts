/** A building model read with the library, whatever it does with a file that is none. */
import { ModelRefused, readBuilding, type Building } from '@hulvek/core';
import type { IfcAPI, LoaderSettings } from 'web-ifc';
import { linesOf } from './lines-of.ts';

/** As much of a file as says what it is. */
const HEAD_bytes = 4096;

/** @throws ModelRefused in words */
export function readModel(
  api: IfcAPI,
  bytes: Uint8Array,
  settings: LoaderSettings = {},
  told: (share: number) => void = () => undefined,
): Building {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, HEAD_bytes));
  if (!head.trimStart().startsWith('ISO-10303-21')) throw new ModelRefused('it is no building model');
  const schema = /FILE_SCHEMA\s*\(\s*\(\s*'([^']*)'/i.exec(head)?.[1]?.toUpperCase() ?? '';
  // The library breaks off at a schema that it does not know.
  if (!/^IFC(2X3|4)/.test(schema))
    throw new ModelRefused(`it is of schema ${schema || 'unknown'}; IFC2X3 and IFC4 are read`);
  let model = -1;
  try {
    model = api.OpenModel(bytes, settings);
    if (model < 0) throw new ModelRefused('it cannot be read as a building model');
    return readBuilding({ ...linesOf(api, model), schema }, told);
  } catch (error) {
    if (error instanceof ModelRefused) throw error;
    throw new ModelRefused('it cannot be read as a building model');
  } finally {
    if (model >= 0) api.CloseModel(model);
  }
}
