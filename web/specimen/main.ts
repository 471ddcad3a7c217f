import '@fontsource/barlow/400.css';
import '@fontsource/barlow/500.css';
import '../src/shell/styles.css';
import { createApp } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import Specimen from './Specimen.vue';

const router = createRouter({
  history: createMemoryHistory(),
  routes: [{ path: '/:any(.*)*', component: { template: '' } }],
});
createApp(Specimen).use(router).mount('#app');
