import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router';
import type { Station, SubPage } from '../station.ts';
import { stations } from '../stations.ts';
import { useSession } from './session.ts';

const route = ({ path, title, page }: SubPage, { name, open = false }: Station): RouteRecordRaw => ({
  path,
  component: page as never,
  props: true,
  meta: { open, title, station: name },
});

/* Every station and what lies under it; each page is its own chunk. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./SignInPage.vue'),
      meta: { open: true, title: 'Sign in' },
    },
    ...stations.flatMap((station) => [station, ...(station.under ?? [])].map((page) => route(page, station))),
    { path: '/:any(.*)*', component: () => import('./NowherePage.vue'), meta: { open: true, title: 'Nowhere' } },
  ],
});

router.beforeEach(async (to) => {
  const session = useSession();
  if (!session.door) await session.look().catch(() => undefined);
  if (!session.current && !to.meta['open']) return { name: 'sign-in', query: { to: to.fullPath } };
  return true;
});

router.afterEach((to) => {
  document.title = `${String(to.meta['title'] ?? '')} – Aspecta`;
});
