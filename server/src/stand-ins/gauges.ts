import { createServer, type Server, type Socket } from 'node:net';
import { uniforms } from '@aspecta/core';
import { anyPanel, trueCoating, trueShare, truthOf } from './hiddenTruth.ts';

/*
 * Gauges that behave like real ones on a serial line, here over loopback TCP: ASCII lines in
 * and out, noise, over-range, no coupling, a battery that runs down, and drift until zeroed.
 * Besides what a real one takes (`ZERO`) it is told where its probe stands (`AT panel layer u v`)
 * and that its button is pressed (`PRESS`); `HICCUP` makes it send rubbish. Invented data.
 */
export type StandInKind = 'coating' | 'thickness';

const RANGE: Readonly<Record<StandInKind, readonly [number, number]>> = { coating: [0, 2000], thickness: [0.5, 10] };
const NAME: Readonly<Record<StandInKind, string>> = {
  coating: 'Coating gauge CK-2',
  thickness: 'Thickness gauge UT-5',
};
/** Readings after which a gauge has drifted so far that it asks to be zeroed. */
const DRIFTS_AFTER = 60;
/** Share of presses at which the thickness probe has not coupled. */
const UNCOUPLED = 0.04;
const BATTERY_PER_READING = 0.4;

class Gauge {
  private seq = 0;
  private since = 0;
  private battery = 74;
  private place: { panel: string; layer: string; u: number; v: number } | undefined;
  private readonly kind: StandInKind;
  private readonly random: () => number;

  constructor(kind: StandInKind, seed: number) {
    this.kind = kind;
    this.random = uniforms(seed);
  }

  hello = () => `HELLO ${this.kind} ${RANGE[this.kind].join(' ')} ${NAME[this.kind]}`;

  /** What it says to a line that it is sent. */
  answer(line: string): string[] {
    const [word, ...rest] = line.trim().split(/ +/);
    if (word === 'ZERO') {
      this.since = 0;
      return ['ZEROED'];
    }
    if (word === 'AT') {
      const [panel, layer, u, v] = rest;
      this.place = { panel: panel!, layer: layer!, u: Number(u), v: Number(v) };
      return [];
    }
    if (word === 'HICCUP') return ['R 7x ??', '\u0001\u0002#!'];
    return word === 'PRESS' ? this.press() : [];
  }

  private press(): string[] {
    this.seq++;
    this.since++;
    this.battery = Math.max(1, this.battery - BATTERY_PER_READING);
    const lines = [`R ${this.seq} ${this.read()}`];
    if (this.seq % 10 === 0 || this.battery < 15) lines.push(`BAT ${Math.round(this.battery)}`);
    if (this.since === DRIFTS_AFTER) lines.push('DRIFT');
    return lines;
  }

  private read(): string {
    const panel = this.place && anyPanel(this.place.panel);
    const layer = panel?.layers.find((candidate) => candidate.id === this.place!.layer);
    if (!panel || !layer || this.random() < (this.kind === 'thickness' ? UNCOUPLED : 0)) return 'NONE';
    const truth = truthOf(panel, layer.id);
    const { u, v } = this.place!;
    const noise = Math.sqrt(-2 * Math.log(this.random())) * Math.cos(2 * Math.PI * this.random());
    const drift = Math.min(this.since, 4 * DRIFTS_AFTER) / DRIFTS_AFTER;
    const [low, high] = RANGE[this.kind];
    if (this.kind === 'coating') {
      if (layer.material === 'aluminium') return 'NONE';
      const value = trueCoating(truth, u, v) * (1 + 0.01 * noise) + 4 * noise + 3 * drift;
      return value > high ? `OVER ${high}` : Math.max(0, value).toFixed(0);
    }
    const metal = layer.thickness * trueShare(truth, u, v) + 0.015 * noise + 0.006 * drift;
    if (metal < 0.08) return 'NONE';
    return metal < low ? `UNDER ${low.toFixed(2)}` : metal.toFixed(2);
  }
}

/** Serves one gauge on a loopback port. */
export function serveGauge(kind: StandInKind, port: number, seed = 11): Promise<Server> {
  const gauge = new Gauge(kind, seed);
  const server = createServer((socket: Socket) => {
    socket.setEncoding('ascii');
    socket.write(`${gauge.hello()}\r\n`);
    let rest = '';
    socket.on('data', (chunk: string) => {
      const lines = (rest + chunk).split(/\r?\n/);
      rest = lines.pop()!.slice(-500);
      for (const line of lines) for (const said of gauge.answer(line)) socket.write(`${said}\r\n`);
    });
    socket.on('error', () => socket.destroy());
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

if (process.argv[1]?.endsWith('gauges.js')) {
  const [coating, thickness] = process.argv.slice(2).map(Number);
  const servers = await Promise.all([serveGauge('coating', coating!), serveGauge('thickness', thickness!, 23)]);
  process.stdout.write('listening\n');
  const end = () => {
    for (const server of servers) server.close();
    process.exit(0);
  };
  // Whoever started them may have been killed: nobody is left to press their buttons.
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && end(), 2000).unref();
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
}
