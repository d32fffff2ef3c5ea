import { axisIds } from '@hulvek/core';
import { expect, it } from 'vitest';
import { methodGroups } from '../src/lib/features/detail/method-groups.ts';

it('every axis of a method has its place on the page, and only one', () => {
  expect(methodGroups.flatMap(({ axes }): string[] => [...axes]).sort()).toEqual([...axisIds].sort());
});
