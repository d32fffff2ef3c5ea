/** The order in which findings are read: gravest first, then in the order of the work; and none of them twice. */
import { contentHash } from '../quantities/content-hash.ts';
import { severities } from '../vocabulary/verdict.ts';
import { checks } from './checks/index.ts';
import type { Finding, FindingCode } from './finding.ts';

/** Codes in the order of the work: opening, delivery, wall, method, strips, water, air, damp, loads, and heat at last. */
const order = new Map<FindingCode, number>(checks.map(({ code }, i) => [code, i]));

export function readingOrder(findings: readonly Finding[]): Finding[] {
  const seen = new Set<string>();
  const single = findings.filter(({ code, severity, facts }) => {
    const key = contentHash([code, severity, facts]);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  const place = ({ code }: Finding) => order.get(code) ?? checks.length;
  return single.sort(
    (a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity) || place(a) - place(b),
  );
}
