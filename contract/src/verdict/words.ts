import type { OptionId } from '@aspecta/core/verdict';

/** What an option is called where it stands by itself, and how a sentence goes on that tells it. */
export const OPTION_WORDS: Readonly<Record<OptionId, { name: string; decided: string }>> = {
  treat: { name: 'Treat', decided: 'treat and keep' },
  patch: { name: 'Patch', decided: 'let in a patch' },
  part: { name: 'Part of a repair panel', decided: 'let in part of a repair panel' },
  whole: { name: 'Whole panel', decided: 'fit a whole panel' },
  make: { name: 'Make it', decided: 'make the panel' },
  overlay: { name: 'Sheet laid over', decided: 'lay a new sheet over it' },
  open: { name: 'Opening', decided: 'make the opening' },
};
