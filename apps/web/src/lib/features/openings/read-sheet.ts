/** Spreadsheet files as tables of texts. Nothing in them is run: a cell with a formula gives the value it was saved with. */
import { scheduleOf, tableOf, type ScheduleTable } from '@hulvek/core';

export const LARGEST_FILE_bytes = 10 * 1024 * 1024;
export const LARGEST_UNPACKED_bytes = 50 * 1024 * 1024;

export interface SheetOfFile {
  readonly name: string;
  readonly table: ScheduleTable;
}

export type SheetRead =
  | { readonly ok: true; readonly sheets: readonly SheetOfFile[] }
  | { readonly ok: false; readonly because: 'tooLarge' | 'tooLargeInside' | 'notRead' | 'empty' };

/** First bytes of every packed file. */
const PACKED = [0x50, 0x4b, 0x03, 0x04];

export async function readSheetFile(file: File): Promise<SheetRead> {
  if (file.size > LARGEST_FILE_bytes) return { ok: false, because: 'tooLarge' };
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!PACKED.every((byte, i) => bytes[i] === byte)) return readText(bytes);
  try {
    const { unzipSync } = await import('fflate');
    let unpacked = 0;
    // Only looked at, not unpacked.
    unzipSync(bytes, { filter: ({ originalSize }) => ((unpacked += originalSize), false) });
    if (unpacked > LARGEST_UNPACKED_bytes) return { ok: false, because: 'tooLargeInside' };
    const { default: readWorkbook } = await import('read-excel-file/browser');
    const sheets = (await readWorkbook(new Blob([bytes])))
      .map(({ sheet, data }) => ({ name: sheet, table: scheduleOf(data) }))
      .filter(({ table }) => table.length > 0);
    return sheets.length > 0 ? { ok: true, sheets } : { ok: false, because: 'empty' };
  } catch {
    return { ok: false, because: 'notRead' };
  }
}

function readText(bytes: Uint8Array): SheetRead {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // As older spreadsheets write it.
    text = new TextDecoder('windows-1252').decode(bytes);
  }
  if (text.includes('\0')) return { ok: false, because: 'notRead' };
  const table = tableOf(text);
  return table.length > 0 ? { ok: true, sheets: [{ name: '', table }] } : { ok: false, because: 'empty' };
}
