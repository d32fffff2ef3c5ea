/** What must be seen to before anybody presses or wets an opening: a test that skips it is not taken. */
import type { Entry } from '../documents/entry.ts';
import { testChecks, type OpeningTest, type Pressing, type TestCheck } from '../vocabulary/wet-zones.ts';

type TestFacts = Extract<NonNullable<Entry['facts']>, { kind: 'test' }>;

/** What has to be checked before a test of this kind. */
export function checksFor(of: OpeningTest, pressing: Pressing | undefined): readonly TestCheck[] {
  if (of === 'reported') return [];
  const wet: TestCheck[] = ['people-told', 'electrics-dry', 'finishes-dry', 'no-ladder'];
  const house: TestCheck[] = ['people-told', 'combustion-off', 'fireplace-shut', 'doors-held'];
  const chamber: TestCheck[] = ['people-told', 'frame-anchored', 'nobody-in-front', 'no-ladder'];
  const wanted = new Set<TestCheck>([
    ...(of === 'spray' ? wet : of === 'smoke' ? house : chamber),
    ...(of === 'spray' && pressing === 'house' ? house : []),
    ...(of === 'spray' && (pressing === 'steady' || pressing === 'cycles') ? chamber : []),
  ]);
  return testChecks.filter((check) => wanted.has(check));
}

/** Whether everything was checked that has to be. */
export const isChecked = ({
  of,
  pressing,
  checked,
}: Pick<TestFacts, 'of' | 'pressing' | 'checked'>): boolean =>
  checksFor(of, pressing).every((check) => checked.includes(check));
