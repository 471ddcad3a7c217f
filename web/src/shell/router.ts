import { createRouter, createWebHistory } from 'vue-router';
import { useSession } from './session.ts';

/* Stations in the order of the work; each is its own chunk. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./SignInPage.vue'),
      meta: { open: true, title: 'Sign in' },
    },
    { path: '/', component: () => import('../garage/GaragePage.vue'), meta: { title: 'Garage' } },
    { path: '/orders', component: () => import('../order/OrdersPage.vue'), meta: { title: 'Orders' } },
    { path: '/account', component: () => import('../account/AccountPage.vue'), meta: { title: 'Your account' } },
    {
      path: '/join/:token',
      component: () => import('../account/JoinPage.vue'),
      props: true,
      meta: { open: true, title: 'Join' },
    },
    { path: '/house', component: () => import('../house/HousePage.vue'), meta: { title: 'House rules' } },
    { path: '/vehicles/:id', component: () => import('../board/BoardPage.vue'), props: true, meta: { title: 'Board' } },
    {
      path: '/vehicles/:id/panels/:panel',
      component: () => import('../survey/SurveyPage.vue'),
      props: true,
      meta: { title: 'Survey' },
    },
    {
      path: '/vehicles/:id/walk',
      component: () => import('../walk/WalkPage.vue'),
      props: true,
      meta: { title: 'Walk-round' },
    },
    {
      path: '/vehicles/:id/photos',
      component: () => import('../photo/PhotosPage.vue'),
      props: true,
      meta: { title: 'Pictures' },
    },
    {
      path: '/vehicles/:id/photos/:photo',
      component: () => import('../photo/PhotoPage.vue'),
      props: true,
      meta: { title: 'Picture' },
    },
    {
      path: '/vehicles/:id/panels/:panel/outline',
      component: () => import('../body/OutlinePage.vue'),
      props: true,
      meta: { title: 'Outline' },
    },
    { path: '/learnt', component: () => import('../survey/LearntPage.vue'), meta: { title: 'Learnt' } },
    {
      path: '/vehicles/:id/panels/:panel/verdict',
      component: () => import('../verdict/VerdictPage.vue'),
      props: true,
      meta: { title: 'Verdict' },
    },
    {
      path: '/vehicles/:id/repairs/:repair/cut',
      component: () => import('../cut/CutPage.vue'),
      props: true,
      meta: { title: 'Cut' },
    },
    {
      path: '/vehicles/:id/repairs/:repair/weld',
      component: () => import('../weld/WeldPage.vue'),
      props: true,
      meta: { title: 'Weld' },
    },
    {
      path: '/vehicles/:id/repairs/:repair/bench',
      component: () => import('../weld/BenchPage.vue'),
      props: true,
      meta: { title: 'Bench mode' },
    },
    { path: '/book', component: () => import('../book/BookShelf.vue'), meta: { open: true, title: 'Bench book' } },
    {
      path: '/book/figures/:id',
      component: () => import('../book/FiguresPage.vue'),
      props: true,
      meta: { open: true, title: 'By figures' },
    },
    {
      path: '/book/:name',
      component: () => import('../book/BookRoute.vue'),
      props: true,
      meta: { open: true, title: 'Bench book' },
    },
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
