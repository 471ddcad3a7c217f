import type { AreaKind, PanelArea } from '@aspecta/core/body';

const WORDS: Readonly<Record<AreaKind, (name: string) => string>> = {
  trim: (name) => `under the ${name}, not seen`,
  heat: (name) => `heat and sparks spoil: ${name}`,
  double: (name) => `curved both ways: ${name}`,
};

/** What a part of a panel is, in words. */
export const areaText = ({ kind, name }: Pick<PanelArea, 'kind' | 'name'>): string => WORDS[kind](name.toLowerCase());

/** Every one of them once, where there are several of the same name. */
export const namedOnce = (areas: readonly PanelArea[]): Pick<PanelArea, 'kind' | 'name'>[] =>
  areas.filter((area, i) => areas.findIndex(({ kind, name }) => kind === area.kind && name === area.name) === i);
