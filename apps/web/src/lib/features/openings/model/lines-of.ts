/** A building model as the library reads it, in the words of the core. */
import type { IfcLine, IfcLines, IfcValue } from '@hulvek/core';
import type { IfcAPI } from 'web-ifc';

/** Kinds of values as the library marks them. */
const REF = 5;

/** A value of the library: bare, in a list, or with its kind. */
function valueOf(raw: unknown): IfcValue {
  if (raw === null || raw === undefined) return null;
  if (typeof raw === 'number' || typeof raw === 'string' || typeof raw === 'boolean') return raw;
  if (Array.isArray(raw)) return raw.map(valueOf);
  if (typeof raw !== 'object') return null;
  if ('type' in raw && raw.type === REF && 'value' in raw && typeof raw.value === 'number')
    return { ref: raw.value };
  if ('_representationValue' in raw) return valueOf(raw._representationValue);
  return 'value' in raw ? valueOf(raw.value) : null;
}

/** @param model an open one, which stays open as long as its lines are read */
export function linesOf(api: IfcAPI, model: number): IfcLines {
  const known = new Map<number, IfcLine | null>();
  const read = (id: number): IfcLine | null => {
    let raw: unknown;
    try {
      raw = api.GetLine(model, id);
    } catch {
      return null;
    }
    if (typeof raw !== 'object' || raw === null || !('type' in raw) || typeof raw.type !== 'number')
      return null;
    const values = Object.fromEntries(
      Object.entries(raw).flatMap(([name, value]) =>
        name === 'expressID' || name === 'type' ? [] : [[name, valueOf(value)]],
      ),
    );
    return { id, type: api.GetNameFromTypeCode(raw.type).toUpperCase(), values };
  };
  return {
    schema: api.GetModelSchema(model),
    of: (type) => {
      const ids = api.GetLineIDsWithType(model, api.GetTypeCodeFromName(type));
      return Array.from({ length: ids.size() }, (_, i) => ids.get(i));
    },
    line: (id) => {
      let found = known.get(id);
      if (found === undefined) known.set(id, (found = read(id)));
      return found;
    },
  };
}
