/** The wall's state is a replay of what was done to it, in order. */
import type { Piece } from '../methods/pieces/piece.ts';
import type { Operation, WallEvent } from '../vocabulary/events.ts';

export type FaceState = 'in place' | 'lifted' | 'gone';

export interface PlacedFace {
  readonly thing: string;
  readonly face: string;
  readonly state: FaceState;
  /** Higher lies over lower: the moment of the last `place` or `return`. */
  readonly order: number;
}

export type ContactKind = 'adhesive' | 'bead' | 'clamp' | 'fluid' | 'gasket';

/** A bond between a face (or a whole thing) and what lay under it when it was made. */
export interface Contact {
  readonly thing: string;
  readonly face: string;
  readonly kind: ContactKind;
  readonly step: string;
  /** Its moment, in the count of `order`. */
  readonly at: number;
}

export interface WallState {
  readonly faces: ReadonlyMap<string, PlacedFace>;
  readonly contacts: readonly Contact[];
  readonly looked: readonly string[];
}

/** Faces of every thing that events may name; a solid is a thing with the one face `body`. */
export type Things = ReadonlyMap<string, readonly string[]>;

/** Everything done, step after step. */
export const eventsOf = (
  steps: readonly { readonly id: string; readonly events: readonly Omit<WallEvent, 'step'>[] }[],
): WallEvent[] => steps.flatMap((step) => step.events.map((event) => ({ ...event, step: step.id })));

export const BODY = 'body';
export const thingsOf = (pieces: readonly Piece[]): Things =>
  new Map(
    pieces.map((piece) => [piece.id, piece.form === 'sheet' ? piece.sheet.faces.map((f) => f.id) : [BODY]]),
  );
export const faceKey = (thing: string, face: string): string => `${thing}/${face}`;

/**
 * Returns the state of the wall after `events`.
 *
 * @throws Error when an event names what is not there, returns what was not lifted or bonds to a lifted face:
 * the rows of the method contradict each other, which is a bug in them
 */
export function replay(things: Things, events: readonly WallEvent[]): WallState {
  const faces = new Map<string, PlacedFace>();
  const contacts: Contact[] = [];
  const looked: string[] = [];
  events.forEach((event, order) => {
    const { thing, op } = event;
    if (op === 'look') {
      looked.push(thing);
      return;
    }
    const all = things.get(thing);
    if (!all) throw new Error(`step ${event.step}: ${thing} is no part of this opening`);
    for (const face of event.faces ?? all) {
      if (!all.includes(face)) throw new Error(`step ${event.step}: ${thing} has no face ${face}`);
      const key = faceKey(thing, face);
      const now = faces.get(key);
      const next = nextState(op, now?.state, `step ${event.step}: ${op} ${key}`);
      const moves = op === 'place' || op === 'return';
      faces.set(key, { thing, face, state: next, order: moves ? order : (now?.order ?? order) });
      const kind = CONTACT_OF[op];
      if (kind) contacts.push({ thing, face, kind, step: event.step, at: order });
      if (op === 'remove' || op === 'lift') dropContacts(contacts, thing, face);
    }
  });
  return { faces, contacts, looked };
}

export const CONTACT_OF: Partial<Record<Operation, ContactKind>> = {
  bond: 'adhesive',
  bed: 'bead',
  fasten: 'clamp',
};

function nextState(op: Operation, now: FaceState | undefined, what: string): FaceState {
  const present = now === 'in place' || now === 'lifted';
  switch (op) {
    case 'place':
    case 'fill':
      if (present) throw new Error(`${what}: already there`);
      return 'in place';
    case 'lift':
      if (now !== 'in place') throw new Error(`${what}: not in place`);
      return 'lifted';
    case 'return':
      if (now !== 'lifted') throw new Error(`${what}: was not lifted`);
      return 'in place';
    case 'remove':
      if (!present) throw new Error(`${what}: not there`);
      return 'gone';
    case 'bond':
    case 'bed':
    case 'fasten':
      if (now !== 'in place') throw new Error(`${what}: not in place, cannot be bonded`);
      return now;
    case 'cut':
      if (!present) throw new Error(`${what}: not there`);
      return now;
    case 'look':
      throw new Error(`${what}: a look has no state`);
  }
}

function dropContacts(contacts: Contact[], thing: string, face: string): void {
  for (let i = contacts.length - 1; i >= 0; i--) {
    if (contacts[i]?.thing === thing && contacts[i]?.face === face) contacts.splice(i, 1);
  }
}
