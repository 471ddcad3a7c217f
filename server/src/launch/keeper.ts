import type { ChildProcess } from 'node:child_process';
import { pause } from './processes.ts';

export interface Keeping {
  /** As it is called in messages. */
  name: string;
  /** Starts it and resolves when it is ready; throws with the reason where it cannot be started. */
  start: () => Promise<ChildProcess>;
  say: (text: string) => void;
  /** Does it still answer? Left out where nobody can ask. */
  answers?: () => Promise<boolean>;
  /** ms between two such questions, and how many without an answer in a row count as hanging. */
  every?: number;
  patience?: number;
  /** ms before the first new attempt and between later ones at most. */
  pauses?: { first: number; longest: number };
}

/** A process that is kept running until it is let go. */
export interface Kept {
  process: () => ChildProcess;
  /** No longer started again; the process itself is the caller's to end. */
  letGo: () => void;
}

/**
 * Keeps a process running: started again when it dies, killed and started again when it hangs,
 * and for as long as it takes: a full disk, a taken port or a database on its way back pass.
 * The first start is not repeated: what is wrong then is for the person to mend.
 */
export async function keepRunning(keeping: Keeping): Promise<Kept> {
  const { first, longest } = keeping.pauses ?? { first: 300, longest: 10_000 };
  let letGo = false;
  let child = await keeping.start();
  guard();

  function guard(): void {
    const guarded = child;
    const stopAsking = keeping.answers ? askNowAndThen(keeping, guarded) : () => undefined;
    const ended = () => {
      stopAsking();
      if (letGo) return;
      keeping.say(`The ${keeping.name} has ended unexpectedly; starting it again.`);
      void startAgain();
    };
    if (guarded.exitCode !== null || guarded.signalCode !== null) ended();
    else guarded.once('exit', ended);
  }

  async function startAgain(): Promise<void> {
    let said = '';
    for (let wait = first; !letGo; wait = Math.min(longest, wait * 1.5)) {
      await pause(wait);
      if (letGo) return;
      try {
        child = await keeping.start();
        if (said) keeping.say(`The ${keeping.name} is back.`);
        if (letGo) child.kill('SIGTERM');
        else guard();
        return;
      } catch (error) {
        const reason = error instanceof Error ? error.message : String(error);
        if (reason !== said && !letGo) keeping.say(`The ${keeping.name} cannot be started yet; trying on. ${reason}`);
        said = reason;
      }
    }
  }

  return { process: () => child, letGo: () => (letGo = true) };
}

/** Kills a process that has not answered several times in a row; its end starts it anew. */
function askNowAndThen({ name, answers, say, every = 5000, patience = 5 }: Keeping, child: ChildProcess): () => void {
  let silent = 0;
  let asking = false;
  const timer = setInterval(() => {
    if (asking) return;
    asking = true;
    void answers!()
      .catch(() => false)
      .then((answered) => {
        asking = false;
        silent = answered ? 0 : silent + 1;
        if (silent < patience) return;
        say(`The ${name} has not answered for a while.`);
        clearInterval(timer);
        child.kill('SIGKILL');
      });
  }, every);
  timer.unref();
  return () => clearInterval(timer);
}
