import { onUnmounted } from 'vue';
import type { LiveChange } from '@aspecta/contract/live';
import { useConnection } from '../shell/connection.ts';

/** Hears what others change on a vehicle; hears again when the server has come back. */
export function useLive(vehicleId: string, hear: (change: LiveChange) => void): void {
  let source: EventSource | undefined;
  const listen = () => {
    source?.close();
    source = new EventSource(`/api/vehicles/${vehicleId}/live`);
    source.onmessage = (message) => hear(JSON.parse(message.data as string) as LiveChange);
  };
  listen();
  const stop = useConnection().whenBack(listen);
  onUnmounted(() => {
    stop();
    source?.close();
  });
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
