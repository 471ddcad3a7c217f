import { connect, type Socket } from 'node:net';
import type { GaugeEvent, GaugeKind, GaugeView } from '@aspecta/contract/gauge';
import { gaugeLine } from '@aspecta/core/survey';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { GaugeHolds } from './holds.ts';

/** Where a gauge can be reached: its serial line, on loopback TCP. */
export interface GaugeAddress {
  id: string;
  kind: GaugeKind;
  name: string;
  host: string;
  port: number;
  standIn: boolean;
}

/** Bytes without a line end after which what a gauge sends is rubbish. */
const LONGEST_LINE = 2000;
const CONNECT_WITHIN = 4000;

/** A gauge that is in hand through this process. */
interface Held {
  caller: Caller;
  socket: Socket;
  /** Last reading passed on: a gauge that repeats itself counts once. */
  lastSeq: number;
}

/** Gauges on the bench: one person has one in hand at a time; what it says goes to his page. */
export class GaugeService {
  private readonly addresses: readonly GaugeAddress[];
  private readonly holds: GaugeHolds;
  private readonly held = new Map<string, Held>();

  constructor(addresses: readonly GaugeAddress[], holds: GaugeHolds) {
    this.addresses = addresses;
    this.holds = holds;
  }

  async list(caller: Caller): Promise<GaugeView[]> {
    const holds = this.addresses.length > 0 ? await this.holds.list() : [];
    return this.addresses.map(({ id, kind, name, standIn }) => {
      const held = holds.find((hold) => hold.gaugeId === id);
      const inUseBy = !held ? null : held.shopId === caller.shopId ? held.name : 'another shop';
      return { id, kind, name, standIn, inUseBy };
    });
  }

  /** Takes a gauge in hand; `tell` gets what it says until the returned function puts it down. */
  async take(caller: Caller, id: string, tell: (event: GaugeEvent) => void): Promise<() => void> {
    const address = this.find(id);
    const letGo = await this.holds.take(caller, address, () => this.held.get(id)?.socket.destroy());
    this.held.get(id)?.socket.destroy();
    const socket = await open(address).catch(async (error: unknown) => {
      await letGo();
      throw error;
    });
    const held: Held = { caller, socket, lastSeq: -1 };
    this.held.set(id, held);
    const putDown = () => {
      if (this.held.get(id) === held) this.held.delete(id);
      socket.destroy();
      void letGo().catch(() => undefined);
    };
    listen(socket, (line) => {
      const said = gaugeLine(line);
      if (said.type === 'reading') {
        if (said.seq <= held.lastSeq) return;
        held.lastSeq = said.seq;
        tell({ ...said, kind: address.kind });
      } else if (said.type === 'drift')
        tell({ type: 'drift', text: `${address.name} has drifted: lift it off and zero it.` });
      else tell(said);
    });
    socket.once('close', () => {
      if (this.held.get(id) === held) {
        this.held.delete(id);
        void letGo().catch(() => undefined);
        tell({
          type: 'gone',
          text: `${address.name} has stopped. What it read is stored; switch it on and connect it again.`,
        });
      }
    });
    return putDown;
  }

  /** Says something to a gauge that this person has in hand. */
  say(caller: Caller, id: string, line: string): void {
    this.find(id);
    const held = this.held.get(id);
    if (!held || held.caller.personId !== caller.personId)
      throw new ServerProblem('conflict', 'Connect the gauge first.', 'gauge');
    held.socket.write(`${line}\r\n`);
  }

  close(): void {
    for (const { socket } of this.held.values()) socket.destroy();
    this.held.clear();
  }

  private find(id: string): GaugeAddress {
    const address = this.addresses.find((candidate) => candidate.id === id);
    if (!address) throw notFound('gauge');
    return address;
  }
}

function open({ host, port, name }: GaugeAddress): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port, timeout: CONNECT_WITHIN });
    const fail = () => {
      socket.destroy();
      reject(
        new ServerProblem('gauge-away', `${name} does not answer; switch it on, plug it in and try again.`, 'gauge'),
      );
    };
    socket.once('error', fail);
    socket.once('timeout', fail);
    socket.once('connect', () => {
      socket.setTimeout(0);
      socket.off('error', fail);
      socket.on('error', () => socket.destroy());
      resolve(socket);
    });
  });
}

function listen(socket: Socket, take: (line: string) => void): void {
  let rest = '';
  socket.setEncoding('latin1');
  socket.on('data', (chunk: string) => {
    const lines = (rest + chunk).split(/\r?\n/);
    rest = lines.pop()!;
    if (rest.length > LONGEST_LINE) lines.push(rest.slice(0, 100));
    if (rest.length > LONGEST_LINE) rest = '';
    for (const line of lines) if (line !== '') take(line);
  });
}

/** Addresses from ASPECTA_GAUGES, for example `coating@127.0.0.1:4961,thickness@127.0.0.1:4962`; a trailing `!` marks a stand-in. */
export function gaugeAddresses(text: string | undefined): GaugeAddress[] {
  return (text ?? '').split(',').flatMap((entry): GaugeAddress[] => {
    const match = /^(coating|thickness)@([\w.-]+):(\d+)(!?)$/.exec(entry.trim());
    if (!match) return [];
    const [, kind, host, port, mark] = match as unknown as [string, GaugeKind, string, string, string];
    const standIn = mark === '!';
    const name = `${kind === 'coating' ? 'Coating gauge' : 'Thickness gauge'}${standIn ? ' (simulated)' : ''}`;
    return [{ id: `${kind}-${port}`, kind, name, host, port: Number(port), standIn }];
  });
}
