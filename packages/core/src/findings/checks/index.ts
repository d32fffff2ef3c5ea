/** Every check, in the order its findings are read. */
import type { Check } from '../check.ts';
import * as air from './air.ts';
import * as delivery from './delivery.ts';
import * as detail from './detail.ts';
import * as fit from './fit.ts';
import * as loads from './loads.ts';
import * as method from './method.ts';
import * as moisture from './moisture.ts';
import * as survey from './survey.ts';
import * as wall from './wall.ts';
import * as together from './together.ts';
import * as water from './water.ts';

export const checks: readonly Check[] = [
  ...Object.values(fit),
  ...Object.values(survey),
  ...Object.values(delivery),
  ...Object.values(wall),
  ...Object.values(method),
  ...Object.values(detail),
  ...Object.values(water),
  ...Object.values(together),
  ...Object.values(air),
  ...Object.values(moisture),
  ...Object.values(loads),
];
