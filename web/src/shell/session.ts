import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { personUnits, type DoorView, type SessionView, type SetUp, type Shop } from '@aspecta/contract/shop';
import type { PersonUnits } from '@aspecta/core/units';
import { get, post, remove, setApiHooks } from './api.ts';
import { forgetKnown, lastKnown, remember } from '../outbox/device.ts';
import { said } from './said.ts';
import { useConnection } from './connection.ts';

/** Answers that are worth keeping for the time without network: all but lists of people and what is long. */
const KEPT = /^\/(door|vehicles|repairs|plans|orders|learnt)/;

/** In what a shop reads; mm, µm and °C as long as there is none. */
export const unitsOf = (shop: Shop | undefined): PersonUnits =>
  shop ? personUnits(shop) : { length: 'mm', coating: 'um', heat: 'C' };

/** Who is signed in. When a session ends in the middle of something, the page stays and asks to sign in again. */
export const useSession = defineStore('session', () => {
  const current = ref<SessionView | null>(null);
  const door = ref<DoorView | null>(null);
  /** Set while the page waits for somebody to sign in again. */
  const waiting = ref<((signedIn: boolean) => void)[]>([]);
  const expired = computed(() => waiting.value.length > 0);
  /** Record, decide and order. */
  const canWork = computed(() => ['worker', 'owner'].includes(current.value?.person.role ?? ''));
  const isCustomer = computed(() => current.value?.person.role === 'customer');

  setApiHooks({
    csrf: () => current.value?.csrf ?? '',
    signInAgain: () =>
      current.value ? new Promise<boolean>((resolve) => waiting.value.push(resolve)) : Promise.resolve(false),
    reached: (yes) => useConnection().note(yes),
    keep: (path, answer) => (KEPT.test(path) ? remember(keyOf(path), answer, Date.now()) : Promise.resolve()),
    say: (text) => said(text, unitsOf(current.value?.shop)),
    known: async (path) => {
      const known = await lastKnown(keyOf(path));
      if (known) useConnection().showOld(known.at);
      return known?.answer;
    },
  });

  /** Answers belong to the person who was given them; who is at the door is asked before anybody is known. */
  const keyOf = (path: string) => (path === '/door' ? path : `${current.value?.person.id ?? ''} ${path}`);

  async function look(): Promise<void> {
    door.value = await get<DoorView>('/door');
    current.value = door.value.session;
  }
  function enter(session: SessionView): void {
    current.value = session;
    for (const settle of waiting.value.splice(0)) settle(true);
  }
  const signIn = async (email: string, password: string) =>
    enter(await post<SessionView>('/session', { email, password }));
  const signInDemo = async () => enter(await post<SessionView>('/session/demo'));
  const setUp = async (input: SetUp) => enter(await post<SessionView>('/setup', input));
  async function signOut(): Promise<void> {
    await remove('/session');
    await forgetKnown();
    current.value = null;
  }
  function giveUp(): void {
    for (const settle of waiting.value.splice(0)) settle(false);
  }
  function setShop(shop: Shop): void {
    if (current.value) current.value = { ...current.value, shop };
  }
  return {
    current,
    door,
    expired,
    canWork,
    isCustomer,
    look,
    signIn,
    signInDemo,
    setUp,
    signOut,
    giveUp,
    setShop,
    enter,
  };
});
