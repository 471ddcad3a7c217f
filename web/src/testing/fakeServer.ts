import { usualMetalwork } from '@aspecta/core/repair';
import { usualLimits } from '@aspecta/core/survey';
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import type { Component } from 'vue';
import { createMemoryHistory, createRouter, type Router } from 'vue-router';
import { vi } from 'vitest';
import type { SessionView } from '@aspecta/contract/shop';
import type { Role, Unit } from '@aspecta/contract/shop';
import { useSession } from '../shell/session.ts';

/** What the page sent: method and path without /api, and the body. */
export interface Sent {
  what: string;
  body: Record<string, unknown>;
}

/** Answers of a server by 'METHOD /path', that a test may change at any time; a function sees the body. */
export class FakeServer {
  readonly sent: Sent[] = [];
  private readonly routes = new Map<string, unknown>();

  constructor() {
    vi.stubGlobal(
      'fetch',
      vi.fn((path: string, init?: RequestInit) => {
        const what = `${init?.method ?? 'GET'} ${path.replace(/^\/api/, '')}`;
        const body = typeof init?.body === 'string' ? (JSON.parse(init.body) as Record<string, unknown>) : {};
        this.sent.push({ what, body });
        // The decisions of a car are those that the test has made.
        if (!this.routes.has(what) && /^GET \/vehicles\/[^/]+\/repairs$/.test(what))
          return Promise.resolve(
            new Response(
              JSON.stringify(
                [...this.routes].flatMap(([route, answer]) => (/^GET \/repairs\/[^/]+$/.test(route) ? [answer] : [])),
              ),
            ),
          );
        if (!this.routes.has(what))
          return Promise.resolve(problem('not-found', `No answer was made for ${what}.`, 404));
        const answer = this.routes.get(what);
        const given = typeof answer === 'function' ? (answer as (body: unknown) => unknown)(body) : answer;
        return given instanceof Promise
          ? given
          : Promise.resolve(given instanceof Response ? given : new Response(JSON.stringify(given)));
      }),
    );
  }

  on(what: string, answer: (body: Record<string, unknown>) => unknown): this;
  on(what: string, answer: unknown): this;
  on(what: string, answer: unknown): this {
    this.routes.set(what, answer);
    return this;
  }

  /** Bodies that were sent to one address, oldest first. */
  to(what: string): Record<string, unknown>[] {
    return this.sent.filter((entry) => entry.what === what).map(({ body }) => body);
  }
}

/** A refusal as the server words it. */
export function problem(code: string, detail: string, status = 422, more: object = {}): Response {
  return new Response(JSON.stringify({ type: '', title: '', status, code, detail, ...more }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });
}

/** Somebody is signed in; jsdom gets what it lacks of a browser. */
export function signIn(role: Role = 'owner', unit: Unit = 'mm'): void {
  setActivePinia(createPinia());
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe(): void {}
      disconnect(): void {}
    },
  );
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
  useSession().current = {
    person: { id: 'p', name: 'Ada', email: 'ada@x.example', role },
    shop: {
      id: 's',
      name: 'Testbench',
      currency: 'EUR',
      unit,
      taxRate: 0.2,
      rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
      overlay: false,
      paints: false,
      schools: { seen: 'butt', hidden: 'butt', flange: 'plug' },
      welding: { process: null, strategy: null, holding: null, heat: null },
  metalwork: usualMetalwork,
      limits: usualLimits,
      temperature: 20,
      coatingUnit: unit === 'in' ? 'mil' : 'um',
      heatUnit: unit === 'in' ? 'F' : 'C',
      version: 1,
    },
    csrf: 'token',
  } satisfies SessionView;
}

/** Opens a page as the router would, at an address where that says something, and waits until what it fetches is there. */
export async function openPage(
  component: Component,
  props: Record<string, unknown> = {},
  { at }: { at?: string } = {},
): Promise<{ page: VueWrapper; router: Router }> {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:any(.*)*', component: { template: '<i />' } }],
  });
  if (at) await router.push(at);
  const page = mount(component, { props, global: { plugins: [router] }, attachTo: document.body });
  await flushPromises();
  await flushPromises();
  return { page, router };
}

/** The button with this text; fails where there is none. */
export function button(page: VueWrapper, text: string | RegExp) {
  const found = page
    .findAll('button')
    .find((entry) => (typeof text === 'string' ? entry.text() === text : text.test(entry.text())));
  if (!found)
    throw new Error(
      `No button “${text}” among: ${page
        .findAll('button')
        .map((b) => b.text())
        .join(' | ')}`,
    );
  return found;
}

/** The input with this label; fails where there is none. */
export function field(page: VueWrapper, label: string | RegExp) {
  const found = page
    .findAll('label')
    .find((entry) => (typeof label === 'string' ? entry.text() === label : label.test(entry.text())));
  const id = found?.attributes('for');
  const input = id ? page.find(`[id="${id}"]`) : found?.find('input, select, textarea');
  if (!input?.exists())
    throw new Error(
      `No field “${label}” among: ${page
        .findAll('label')
        .map((l) => l.text())
        .join(' | ')}`,
    );
  return input;
}
