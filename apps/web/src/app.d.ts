import type { Role } from '$lib/server/rights.ts';
import type { Person } from '$lib/server/services/accounts.ts';

declare global {
  namespace App {
    interface Locals {
      person: Person | null;
      /** In the job the address names. */
      role: Role | null;
    }
    interface Error {
      message: string;
      id?: string;
    }
  }
}

export {};
