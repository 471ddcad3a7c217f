<script setup lang="ts">
import { NButton } from 'naive-ui';

/*
 * A button; with `to` a way to another page, with `href` a file, that look the same. Whatever has
 * no other duty sends the form that it stands in.
 */
const props = defineProps<{
  main?: boolean;
  plain?: boolean;
  small?: boolean;
  disabled?: boolean;
  to?: string;
  href?: string;
  /** Sends the form that it stands in. */
  submit?: boolean;
}>();
const look = () => ({
  class: ['btn', { main: props.main, plain: props.plain, small: props.small }],
  type: props.main ? ('primary' as const) : ('default' as const),
  quaternary: props.plain ?? false,
  disabled: props.disabled ?? false,
});
</script>

<template>
  <RouterLink v-if="to !== undefined" v-slot="link" :to="to" custom>
    <NButton v-bind="look()" tag="a" :href="link.href" @click="link.navigate"><slot /></NButton>
  </RouterLink>
  <NButton v-else-if="href !== undefined" v-bind="look()" tag="a" :href="href"><slot /></NButton>
  <NButton v-else v-bind="look()" :attr-type="submit ? 'submit' : 'button'"><slot /></NButton>
</template>

<style>
.btn.n-button {
  --n-padding: 0 1rem;
  /* Words may need two lines on a phone. */
  --n-height: auto;
  min-height: 44px;
  line-height: 1.2;
  white-space: normal;
  text-align: center;
  text-decoration: none;
}
.btn.n-button .n-button__content {
  gap: 0.45rem;
}
.btn.n-button.plain {
  --n-padding: 0 0.6rem;
}
.btn.n-button.small {
  --n-padding: 0 0.7rem;
  --n-font-size: 0.9rem;
}
.btn.n-button:focus-visible {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
}
.btn.n-button[aria-pressed='true'] {
  --n-color: var(--mark-soft);
  --n-color-hover: var(--mark-soft);
  --n-color-focus: var(--mark-soft);
  --n-border: 1px solid var(--mark);
}
</style>
