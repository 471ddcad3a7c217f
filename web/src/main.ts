import '@fontsource/barlow/400.css';
import '@fontsource/barlow/500.css';
import '@fontsource/barlow/600.css';
import '@fontsource/barlow-condensed/600.css';
import '@fontsource/dm-mono/400.css';
import '@fontsource/dm-mono/500.css';
import './shell/styles.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { registerSW } from 'virtual:pwa-register';
import App from './App.vue';
import { router } from './shell/router.ts';

// Only over https and on the machine itself; elsewhere the page works without.
registerSW({ immediate: true });
createApp(App).use(createPinia()).use(router).mount('#app');
