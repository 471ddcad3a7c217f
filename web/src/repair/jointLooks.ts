/** How each kind of joint is drawn: a colour, and dashes that tell it apart without colour. px. */
const LOOKS: Readonly<Record<string, { stroke: string; dash: string }>> = {
  cut: { stroke: 'var(--mark)', dash: '' },
  spot: { stroke: 'var(--alarm)', dash: '1 7' },
  braze: { stroke: 'var(--thin)', dash: '9 3' },
  hem: { stroke: 'var(--good)', dash: '12 4' },
  bolt: { stroke: 'var(--ink)', dash: '2 10' },
  rivet: { stroke: 'var(--ink)', dash: '4 4' },
  fold: { stroke: 'var(--line-strong)', dash: '10 3 2 3' },
  return: { stroke: 'var(--line-strong)', dash: '10 3 2 3' },
  lip: { stroke: 'var(--failing)', dash: '16 3' },
  drip: { stroke: 'var(--coat-3)', dash: '16 3' },
  free: { stroke: 'var(--line)', dash: '' },
};

export const lookOf = (kind: string) => LOOKS[kind] ?? LOOKS['free']!;
