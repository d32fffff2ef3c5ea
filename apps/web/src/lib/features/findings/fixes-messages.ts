/** What the page and the worker that plans fixes say to each other. */
import type { Finding, JobContext, Opening, TriedFix } from '@hulvek/core';

export interface FixRequest {
  readonly id: number;
  readonly opening: Opening;
  readonly job: JobContext;
  readonly finding: Finding;
}

export interface FixAnswer {
  readonly id: number;
  /** `null` where planning broke off. */
  readonly fixes: readonly TriedFix[] | null;
}
