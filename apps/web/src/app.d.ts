import type { LookRule, Role } from '$lib/contract/rights.ts';
import type { Person } from '$lib/server/services/accounts.ts';

declare global {
  namespace App {
    interface Locals {
      person: Person | null;
      /** In the job the address names. */
      role: Role | null;
      /** Who may look at a stop there. */
      lookRule: LookRule | null;
      /** Stands in the log and in the answer's header, so that a trouble can be found again. */
      requestId: string;
    }
    interface Error {
      message: string;
      id?: string;
    }
  }
}

export {};
