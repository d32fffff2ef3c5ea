/** What somebody left for later in a job, on this device. */
const key = (job: string): string => `hulvek:later:${job}`;

export function leftForLater(job: string): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(job)) ?? '[]');
    return Array.isArray(kept) ? kept.filter((one): one is string => typeof one === 'string') : [];
  } catch {
    return [];
  }
}

export const leaveForLater = (job: string, what: string): void =>
  localStorage.setItem(key(job), JSON.stringify([...new Set([...leftForLater(job), what])]));
