import { ApiProblem } from './api.ts';

/** Was a change refused because somebody else was quicker? */
export const isConflict = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && error.code === 'conflict';

/** What somebody else has stored in the meantime, where a change was refused for that; null where it was refused for something else. */
export const theirs = <T>(error: unknown): T | null => (isConflict(error) ? (error.body.current as T) : null);

/**
 * Sends a change again and again on what the person has before him: where somebody else was quicker
 * his version is told to `take`, what was typed stays, and saving once more is then meant.
 */
export async function overTheirs<T>(
  what: string,
  take: (stored: T) => void,
  change: () => Promise<unknown>,
): Promise<void> {
  try {
    await change();
  } catch (error) {
    const stored = theirs<T>(error);
    if (stored === null) throw error;
    take(stored);
    throw new Error(
      `Somebody else has changed ${what} in the meantime. Saving again keeps what stands here instead of theirs.`,
      { cause: error },
    );
  }
}
