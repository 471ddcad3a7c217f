import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import type { SessionView } from '@aspecta/contract/shop';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { get } from './api.ts';
import ConnectionBar from './ConnectionBar.vue';
import { useConnection } from './connection.ts';
import { useSession } from './session.ts';
import SignInAgain from './SignInAgain.vue';
import SignInPage from './SignInPage.vue';
import TopBar from './TopBar.vue';

let server: FakeServer;
let somebody: SessionView;
beforeEach(() => {
  signIn();
  document.body.innerHTML = '';
  somebody = useSession().current!;
  server = new FakeServer();
});

describe('the door', () => {
  const open = async (door: { demo?: boolean; needsSetup?: boolean }, to = '/sign-in') => {
    useSession().current = null;
    useSession().door = { session: null, demo: false, needsSetup: false, ...door };
    const opened = await openPage(SignInPage);
    await opened.router.push(to);
    await nextTick();
    return opened;
  };

  it('lets in with e-mail and password and goes where one wanted to go', async () => {
    server.on('POST /session', () => somebody);
    const { page, router } = await open({}, '/sign-in?to=/vehicles/v');
    await field(page, 'E-mail').setValue('ada@x.example');
    await field(page, 'Password').setValue('ten letters');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /session')).toEqual([{ email: 'ada@x.example', password: 'ten letters' }]);
    expect(useSession().current!.person.name).toBe('Ada');
    expect(router.currentRoute.value.path).toBe('/vehicles/v');
  });

  it.each(['//elsewhere.example', 'https://elsewhere.example', 'javascript:alert(1)'])(
    'is not led elsewhere by %s',
    async (to) => {
      server.on('POST /session', () => somebody);
      const { page, router } = await open({}, `/sign-in?to=${encodeURIComponent(to)}`);
      await page.get('form').trigger('submit');
      await flushPromises();
      expect(router.currentRoute.value.fullPath).toBe('/');
    },
  );

  it('keeps the e-mail and says that one of both is wrong', async () => {
    server.on('POST /session', () =>
      problem('wrong-credentials', 'E-mail or password is wrong; check both and try again.', 401, {
        field: 'password',
      }),
    );
    const { page } = await open({});
    await field(page, 'E-mail').setValue('ada@x.example');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('E-mail or password is wrong');
    expect((field(page, 'E-mail').element as HTMLInputElement).value).toBe('ada@x.example');
  });

  it('opens the demo with one click, only where it is offered', async () => {
    server.on('POST /session/demo', () => somebody);
    const { page } = await open({ demo: true });
    await button(page, 'Sign in to the demo').trigger('click');
    await flushPromises();
    expect(useSession().current).not.toBeNull();
    expect((await open({})).page.text()).not.toContain('Sign in to the demo');
  });

  it('sets a new shop up, and names each field that is wrong', async () => {
    server.on('POST /setup', () =>
      problem('invalid', 'wrong', 422, {
        errors: [
          { field: 'email', detail: 'email is not an e-mail address; write it like name@place.example.' },
          { field: 'password', detail: 'password is too short; use at least 10 characters.' },
        ],
        field: 'email',
      }),
    );
    const { page } = await open({ needsSetup: true });
    await field(page, 'Name of the shop').setValue('New shop');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.findAll('.wrong')).toHaveLength(2);
    expect((field(page, 'Name of the shop').element as HTMLInputElement).value).toBe('New shop');
    server.on('POST /setup', () => somebody);
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(useSession().current).not.toBeNull();
  });
});

describe('a session that ends', () => {
  it('asks to sign in again over the page, and what was asked goes on', async () => {
    const { page } = await openPage(SignInAgain);
    let ended = true;
    server.on('GET /vehicles', () => (ended ? problem('not-signed-in', 'Sign in again.', 401) : ['car']));
    server.on('POST /session', () => {
      ended = false;
      return somebody;
    });
    const asked = get<string[]>('/vehicles');
    await flushPromises();
    expect(page.get('.dialog').text()).toContain('Everything on this page is still there');
    expect((field(page, 'E-mail').element as HTMLInputElement).value).toBe('ada@x.example');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(await asked).toEqual(['car']);
    expect(page.find('.dialog').exists()).toBe(false);
  });

  it('lets a person put it off: what was asked is refused then', async () => {
    const { page } = await openPage(SignInAgain);
    server.on('GET /vehicles', () => problem('not-signed-in', 'Sign in again.', 401));
    const asked = get('/vehicles').catch((error: Error) => error.message);
    await flushPromises();
    await button(page, 'Not now').trigger('click');
    expect(await asked).toBe('Sign in again.');
  });
});

describe('the bar at the top', () => {
  it('names who works where, and signs out', async () => {
    server
      .on('DELETE /session', () => new Response(null, { status: 204 }))
      .on('GET /door', { session: null, demo: true, needsSetup: false });
    const { page, router } = await openPage(TopBar);
    expect(page.text()).toContain('Ada · Testbench');
    await page.get('[aria-label="Sign out"]').trigger('click');
    await flushPromises();
    expect(useSession().current).toBeNull();
    expect(router.currentRoute.value.path).toBe('/sign-in');
  });

  it('says when the server cannot be reached, and stops saying so', async () => {
    const { page } = await openPage(ConnectionBar);
    expect(page.find('[role=status]').exists()).toBe(false);
    useConnection().note(false);
    await nextTick();
    expect(page.get('[role=status]').text()).toContain('You can go on; what you record is kept');
    useConnection().note(true);
    await nextTick();
    expect(page.find('[role=status]').exists()).toBe(false);
  });
});
