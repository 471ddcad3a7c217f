import { config } from '@vue/test-utils';

// Windows over the page stay where they are written, so that a test finds them.
config.global.stubs = { ...config.global.stubs, teleport: true };
// jsdom lays nothing out.
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
} as never;
