import type { LiveChange } from '@aspecta/contract/live';

/** Hears what others change on a vehicle; says whether it is heard. Returns how to stop. */
export function listen(
  vehicleId: string,
  { heard, state }: { heard: (change: LiveChange) => void; state: (on: boolean) => void },
): () => void {
  if (typeof EventSource === 'undefined') return () => undefined;
  const source = new EventSource(`/api/vehicles/${vehicleId}/live`);
  source.onopen = () => state(true);
  source.onerror = () => state(false);
  source.onmessage = (message) => heard(JSON.parse(message.data as string) as LiveChange);
  return () => {
    source.close();
    state(false);
  };
}

/** A list with changes merged in by id. */
export function merged<T extends { id: string }>(
  list: readonly T[],
  changed: readonly T[],
  gone: readonly string[] = [],
): T[] {
  const kept = list.filter((item) => !gone.includes(item.id));
  const known = new Set(kept.map((item) => item.id));
  return [
    ...kept.map((item) => changed.find((other) => other.id === item.id) ?? item),
    ...changed.filter((item) => !known.has(item.id)),
  ];
}
