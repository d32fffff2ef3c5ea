/** A server made of a function: takes records like the real one, and fails the ways a site network fails. */
import type { OutboxItem } from '$lib/device/database.ts';
import { rightsOf } from '$lib/contract/rights.ts';
import type { Me, OpeningPart, Pack } from '$lib/contract/pack.ts';
import { contextOf, skarvPoint, type Entry, type Reading } from '@hulvek/core';

export const ME: Me = { id: 'me', name: 'Tove Aas', email: 'tove@demo.invalid' };

/** The demo job as a device gets it. */
export function demoPack(revision = 1): Pack {
  const file = skarvPoint();
  return {
    me: ME,
    revision,
    role: 'lead',
    rights: rightsOf('lead'),
    lookRule: 'not-the-doer',
    context: contextOf(file),
    at: '2026-11-23T10:00:00.000Z',
    openings: file.openings.map((document): OpeningPart => ({
      document,
      version: 1,
      readings: file.records.readings.filter((r) => r.opening === document.id),
      issues: file.records.issues.filter((i) => i.opening.id === document.id),
      entries: file.records.entries.filter((e) => e.opening === document.id),
    })),
  };
}

/** How one request ends. `lost-after`: stored, but the answer does not arrive. */
export type Fate = 'good' | 'lost-before' | 'lost-after' | 'broken' | 'signed-out';

type Sent = { readonly type: 'reading' | 'entry'; readonly record: { readonly id: string } };

const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });

/** Stores what it is sent, once per id; refuses ids for which `refuses` gives a reason. */
export class PretendServer {
  /** Ids in the order they were stored. */
  readonly stored: string[] = [];
  requests = 0;
  readonly fate: () => Fate;
  readonly refuses: (id: string) => string | null;

  constructor(fate: () => Fate, refuses: (id: string) => string | null = () => null) {
    this.fate = fate;
    this.refuses = refuses;
  }

  fetch = async (_address: string, init?: RequestInit): Promise<Response> => {
    this.requests++;
    const fate = this.fate();
    if (fate === 'lost-before') throw new TypeError('no network');
    if (fate === 'broken') return json({ message: 'broken' }, 500);
    if (fate === 'signed-out') return json({ message: 'signed out' }, 401);
    const answers = sentRecords(init).map(({ record: { id } }) => {
      const refusal = this.refuses(id);
      if (refusal !== null) return { id, ok: false, refusal };
      if (!this.stored.includes(id)) this.stored.push(id);
      return { id, ok: true };
    });
    if (fate === 'lost-after') throw new TypeError('no network');
    return json({ answers });
  };
}

function sentRecords(init?: RequestInit): Sent[] {
  if (init?.body instanceof FormData)
    return [{ type: 'entry', record: (JSON.parse(String(init.body.get('meta'))) as Sent).record }];
  return (JSON.parse(String(init?.body)) as { records: Sent[] }).records;
}

/** An item as the pages make them. */
export function item(n: number, more: Partial<OutboxItem> = {}): OutboxItem {
  const id = `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
  const opening = 'skarv-s-01' as Reading['opening'];
  const at = new Date(Date.UTC(2026, 10, 23, 10, 0, n)).toISOString();
  const record = {
    id,
    opening,
    issue: 1,
    kind: 'note',
    step: 'pan',
    undoes: null,
    note: String(n),
    photo: null,
    at,
  };
  const own = {
    id,
    job: 'skarv-point',
    opening,
    by: ME,
    refusal: '',
    type: 'entry',
    record: record as Entry,
  };
  return { ...own, ...more } as OutboxItem;
}

/** Replaces the browser's network until the returned function is called. */
export function answering(fetch: (address: string, init?: RequestInit) => Promise<Response>): () => void {
  const real = globalThis.fetch;
  globalThis.fetch = fetch as typeof globalThis.fetch;
  return () => (globalThis.fetch = real);
}
