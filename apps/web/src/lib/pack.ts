/** What a device carries of a job: everything needed to look at it, measure and install without a network. */
import type { JobContext } from '@hulvek/core';
import type { Action, LookRule, Role } from '$lib/rights.ts';
import type { OpeningPart } from '$lib/server/services/openings.ts';

export type { OpeningPart };

export interface Me {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export interface Pack {
  readonly me: Me;
  /** Counts everything stored in the job. */
  readonly revision: number;
  readonly role: Role;
  readonly rights: readonly Action[];
  readonly lookRule: LookRule;
  readonly context: JobContext;
  readonly openings: readonly OpeningPart[];
  /** When the server put it together. */
  readonly at: string;
}

/** One answer per record sent, in the same order. */
export type RecordAnswer =
  | { readonly id: string; readonly ok: true }
  | { readonly id: string; readonly ok: false; readonly refusal: string };
