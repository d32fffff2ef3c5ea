import type { Person } from '$lib/server/services/accounts.ts';

declare global {
  namespace App {
    interface Locals {
      person: Person | null;
    }
    interface Error {
      message: string;
      id?: string;
    }
  }
}

export {};
