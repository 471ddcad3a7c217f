import { computed, onUnmounted, ref, shallowRef, watch } from 'vue';
import type {
  FindInput,
  FindView,
  ReadingInput,
  ReadingView,
  ZoneInput,
  ZoneOperation,
  ZoneOperationView,
  ZoneView,
} from '@aspecta/contract/survey';
import { ZONE_CLASSES } from '@aspecta/contract/survey';
import { areaOnSheet, panelOf, sheetOf, type Panel } from '@aspecta/core/body';
import { area, clip } from '@aspecta/core/geometry';
import { signOf, zoneDistances } from '@aspecta/core/survey';
import { useVehicle } from '../car/useVehicle.ts';
import { merged } from '../live/listen.ts';
import { ApiProblem, get, post, put, remove, serverNow } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useLoad } from '../shell/useLoad.ts';
import { useMaps } from './useMaps.ts';
import { useHistory } from './useHistory.ts';
import { useOutbox } from '../outbox/useOutbox.ts';

/** A proposed area of which this share is covered by drawn zones is not proposed again. */
const ALREADY_DRAWN = 0.35;

/** Everything of one panel of one vehicle: readings, their map, zones, and the verbs that change them. */
export function useSurvey(vehicleId: string, panelId: string) {
  const outbox = useOutbox();
  const problem = ref<string | null>(null);
  const history = useHistory((message) => (problem.value = message));
  const conflict = shallowRef<{ mine: ZoneView; theirs: ZoneView } | null>(null);
  const readings = shallowRef<readonly ReadingView[]>([]);
  const zones = shallowRef<readonly ZoneView[]>([]);
  const finds = shallowRef<readonly FindView[]>([]);
  /** The one that was read most, as long as no other is chosen. */
  const usualLayer = ref('');
  const layers = shallowRef<readonly string[]>([]);
  const layer = useInAddress<string>(
    'layer',
    () => usualLayer.value,
    () => layers.value,
  );
  const car = useVehicle(vehicleId);
  const load = useLoad(async (again) => {
    const [{ vehicle, plan }, gotReadings, gotZones, gotFinds] = await Promise.all([
      car.ready(again),
      get<ReadingView[]>(`/vehicles/${vehicleId}/panels/${panelId}/readings`),
      get<ZoneView[]>(`/vehicles/${vehicleId}/panels/${panelId}/zones`),
      get<FindView[]>(`/vehicles/${vehicleId}/panels/${panelId}/finds`),
    ]);
    const panel = panelOf(plan, panelId);
    finds.value = gotFinds;
    readings.value = gotReadings;
    zones.value = gotZones;
    if (usualLayer.value === '') usualLayer.value = busiestLayer(gotReadings) ?? panel.layers[0]!.id;
    layers.value = panel.layers.map(({ id }) => id);
    return { vehicle, plan, panel };
  });
  const stop = outbox.whenSent((entry, answer) => {
    if (entry.vehicle !== vehicleId) return;
    const here = <T extends { panel: string }>(list: readonly T[]) => list.filter((item) => item.panel === panelId);
    if (entry.kind === 'reading') readings.value = merged(readings.value, here(answer as ReadingView[]));
    else if (entry.kind === 'find') finds.value = merged(finds.value, here([answer as FindView]));
    else if (entry.kind === 'zone') zones.value = merged(zones.value, here([answer as ZoneView]));
  });
  onUnmounted(stop);
  car.hear((change) => {
    const here = <T extends { panel: string }>(list: readonly T[]) => list.filter((item) => item.panel === panelId);
    if (here(change.readings).length > 0) readings.value = merged(readings.value, here(change.readings));
    zones.value = merged(zones.value, here(change.zones), change.zonesGone);
    finds.value = merged(finds.value, here(change.finds), change.findsGone);
  });

  /** Readings that are stored and count, and those that are still on this device. */
  const counting = computed(() =>
    readings.value.filter((reading) => !reading.withdrawn && reading.layer === layer.value),
  );
  const kept = computed(() =>
    outbox
      .keptOf('reading', vehicleId)
      .map((entry) => (entry.body as { readings: ReadingInput[] }).readings[0]!)
      .filter((reading) => reading.panel === panelId),
  );
  /** Zones and finds that are on their way are shown as they will be. */
  const shownZones = computed(() => {
    const onTheWay = outbox
      .keptOf('zone', vehicleId)
      .map((entry) => entry.body as unknown as ZoneInput)
      .filter((zone) => zone.panel === panelId && !zones.value.some((known) => known.id === zone.id));
    return [...zones.value, ...onTheWay.map((zone) => zoneOnTheWay(zone, load.data.value?.panel ?? null))];
  });
  const shownFinds = computed(() => {
    const onTheWay = outbox
      .keptOf('find', vehicleId)
      .map((entry) => entry.body as unknown as FindInput)
      .filter((find) => find.panel === panelId && !finds.value.some((known) => known.id === find.id));
    return [...finds.value, ...onTheWay.map(findOnTheWay)];
  });
  const maps = useMaps(() => load.data.value?.panel ?? null, layer, counting, zones);
  watch(load.data, () => (readings.value = [...readings.value]));

  /** The largest area that the map proposes and that no zone covers yet. */
  const proposed = computed(
    () =>
      maps.surveyMap.value?.proposed.find(({ ring, area: size }) => {
        const covered = zones.value
          .filter((zone) => zone.layer === layer.value)
          .reduce((sum, zone) => sum + clip('intersection', [ring], [zone.ring, ...zone.holes]).area, 0);
        return covered < size * ALREADY_DRAWN;
      }) ?? null,
  );

  const nameOf = () => load.data.value?.panel.name ?? panelId;
  async function enter(reading: Omit<ReadingInput, 'id' | 'panel'>): Promise<boolean> {
    const takenAt = new Date(serverNow()).toISOString();
    const full: ReadingInput = { ...reading, id: newId(), panel: panelId, takenAt };
    const { answer } = await outbox.record(
      {
        id: full.id,
        vehicle: vehicleId,
        kind: 'reading',
        title: `${readingWords(full)} on ${nameOf()}`,
        path: `/vehicles/${vehicleId}/readings`,
        body: { readings: [full] },
      },
      true,
    );
    const stored = answer !== null;
    history.did({ label: 'Reading', undo: () => withdraw([full.id], true), redo: () => withdraw([full.id], false) });
    return stored;
  }
  async function withdraw(ids: readonly string[], withdrawn: boolean): Promise<void> {
    const changed = await post<ReadingView[]>(`/vehicles/${vehicleId}/readings/withdraw`, { ids, withdrawn });
    readings.value = readings.value.map((reading) => changed.find((other) => other.id === reading.id) ?? reading);
  }
  async function withdrawOne(id: string): Promise<void> {
    await withdraw([id], true);
    history.did({ label: 'Withdrawing', undo: () => withdraw([id], false), redo: () => withdraw([id], true) });
  }

  const replace = (zone: ZoneView) => (zones.value = [...zones.value.filter((other) => other.id !== zone.id), zone]);
  async function addZone(input: Omit<ZoneInput, 'id' | 'panel'>): Promise<ZoneView> {
    const full: ZoneInput = { ...input, id: newId(), panel: panelId };
    const { answer } = await outbox.record<ZoneView>(
      {
        id: full.id,
        vehicle: vehicleId,
        kind: 'zone',
        title: `Zone “${ZONE_CLASSES[full.class].toLowerCase()}” on ${nameOf()}`,
        path: `/vehicles/${vehicleId}/zones`,
        body: full as unknown as Record<string, unknown>,
      },
      true,
    );
    const zone = answer ?? zoneOnTheWay(full, load.data.value?.panel ?? null);
    if (answer) replace(zone);
    history.did({ label: 'Zone', undo: () => dropZone(zone.id), redo: () => restoreZone(zone.id) });
    return zone;
  }
  /** Saves a changed zone; where somebody else was quicker, shows both and saves nothing. */
  async function changeZone(before: ZoneView, after: ZoneView): Promise<boolean> {
    try {
      replace(await putZone(after, after.version));
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.code !== 'conflict') throw error;
      conflict.value = { mine: after, theirs: error.body.current as ZoneView };
      return false;
    }
    history.did({ label: 'Change of the zone', undo: () => rewrite(before), redo: () => rewrite(after) });
    return true;
  }
  async function rewrite(wanted: ZoneView): Promise<void> {
    const current = zones.value.find((zone) => zone.id === wanted.id);
    replace(await putZone(wanted, current?.version ?? wanted.version));
  }
  const putZone = (zone: ZoneView, version: number) =>
    put<ZoneView>(`/vehicles/${vehicleId}/zones/${zone.id}`, { ...bodyOf(zone), version });
  async function settle(keepMine: boolean): Promise<void> {
    const both = conflict.value;
    if (!both) return;
    if (keepMine) replace(await putZone(both.mine, both.theirs.version));
    else replace(both.theirs);
    conflict.value = null;
  }
  async function dropZone(id: string): Promise<void> {
    await remove(`/vehicles/${vehicleId}/zones/${id}`);
    zones.value = zones.value.filter((zone) => zone.id !== id);
  }
  async function restoreZone(id: string): Promise<void> {
    replace(await post<ZoneView>(`/vehicles/${vehicleId}/zones/${id}/restore`));
  }
  async function removeZone(zone: ZoneView): Promise<void> {
    await dropZone(zone.id);
    history.did({ label: 'Removing the zone', undo: () => restoreZone(zone.id), redo: () => dropZone(zone.id) });
  }

  /** Merges, subtracts or splits zones; undone, every zone that took part is as it was. */
  async function operate(operation: ZoneOperation): Promise<void> {
    const before = zones.value;
    const done = await post<ZoneOperationView>(`/vehicles/${vehicleId}/zones/operate`, operation);
    zones.value = merged(zones.value, [...done.changed, ...done.added], done.removed);
    const was = before.find((zone) => zone.id === operation.zone)!;
    history.did({
      label: 'Joining or splitting zones',
      undo: async () => {
        for (const zone of done.added) await dropZone(zone.id);
        for (const id of done.removed) await restoreZone(id);
        await rewrite(was);
      },
      redo: async () => {
        for (const id of done.removed) await dropZone(id);
        for (const zone of done.changed) await rewrite(zone);
        for (const zone of done.added) await restoreZone(zone.id);
      },
    });
  }
  async function addFind(input: Omit<FindInput, 'id' | 'panel'>): Promise<void> {
    const full: FindInput = { ...input, id: newId(), panel: panelId };
    const { answer } = await outbox.record<FindView>(
      {
        id: full.id,
        vehicle: vehicleId,
        kind: 'find',
        title: `Find “${signOf(full.sign).title.toLowerCase()}” on ${nameOf()}`,
        path: `/vehicles/${vehicleId}/finds`,
        body: full as unknown as Record<string, unknown>,
      },
      true,
    );
    const find = answer ?? findOnTheWay(full);
    if (answer) finds.value = merged(finds.value, [find]);
    const set = async (verb: 'remove' | 'restore') => {
      await post(`/vehicles/${vehicleId}/finds/${find.id}/${verb}`);
      finds.value =
        verb === 'remove' ? finds.value.filter((other) => other.id !== find.id) : merged(finds.value, [find]);
    };
    history.did({ label: 'Find', undo: () => set('remove'), redo: () => set('restore') });
  }

  const findChanged = (find: FindView) => (finds.value = merged(finds.value, [find]));
  const findGone = ({ id }: FindView) => (finds.value = finds.value.filter((other) => other.id !== id));

  return {
    /** Decisions of the whole car that stand. */
    repairs: computed(() => car.data.value?.repairs ?? []),
    finds: shownFinds,
    findChanged,
    findGone,
    operate,
    addFind,
    load,
    readings,
    counting,
    kept,
    zones: shownZones,
    layer,
    maps,
    proposed,
    problem,
    history,
    conflict,
    enter,
    withdrawOne,
    addZone,
    changeZone,
    removeZone,
    settle,
  };
}

/** A zone that is still on this device, as it will be. */
function zoneOnTheWay(zone: ZoneInput, panel: Panel | null): ZoneView {
  const onSheet = panel ? areaOnSheet(panel, [zone.ring, ...zone.holes]) : 0;
  return {
    ...zone,
    area: onSheet,
    share: panel ? onSheet / area(sheetOf(panel)) : 0,
    distances: panel ? zoneDistances(panel, [zone.ring, ...zone.holes]) : { edge: 0, mount: null, crease: null },
    version: 0,
    changedAt: new Date().toISOString(),
    changedBy: 'on this device',
  } as ZoneView;
}

/** A find that is still on this device. */
const findOnTheWay = (find: FindInput): FindView =>
  ({
    ...find,
    place: find.place ?? null,
    photoId: find.photoId ?? null,
    structural: false,
    closed: null,
    version: 0,
    at: new Date().toISOString(),
    by: 'on this device',
  }) as FindView;

/** What a reading says, in short. */
function readingWords({ metalMm, coatingUm, probe }: ReadingInput): string {
  if (probe) return `Probe “${probe}”`;
  if (metalMm !== null && metalMm !== undefined) return `Metal ${metalMm.toFixed(2)} mm`;
  return `Coating ${coatingUm ?? 0} µm`;
}

function busiestLayer(readings: readonly ReadingView[]): string | undefined {
  const counts = new Map<string, number>();
  for (const reading of readings) counts.set(reading.layer, (counts.get(reading.layer) ?? 0) + 1);
  return [...counts.entries()].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** What a zone consists of, as it is sent. */
function bodyOf({
  layer,
  ring,
  holes,
  class: kind,
  evidence,
  note,
  overruled,
}: ZoneView): Omit<ZoneInput, 'id' | 'panel'> {
  return { layer, ring, holes, class: kind, evidence, note, overruled };
}
