/** Why the server does not take a record. */
import type { Refusal } from '@hulvek/core';

export type Refused =
  | Refusal
  | 'no-opening'
  | 'not-started'
  | 'not-the-looker'
  | 'not-allowed'
  | 'other-job'
  | 'other-content'
  | 'not-a-picture';
