/** What the worker that reads a building model says. */
import type { Building } from '@hulvek/core';

export type ModelTold =
  { readonly share: number } | { readonly building: Building } | { readonly problem: string };
