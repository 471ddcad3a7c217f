import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { OpenSession } from '@aspecta/contract/account';

/*
 * Sessions as rows of the session library's table: found by the person whom they belong to, and
 * named by a hash, because who knows an id is in. Raw SQL: the table is no entity of ours.
 */
const nameOf = (sessionId: string) => createHash('sha256').update(sessionId).digest('hex').slice(0, 32);
const now = () => Math.floor(Date.now() / 1000);

export async function sessionsOf(db: DataSource, personId: string, current: string): Promise<OpenSession[]> {
  const rows = (await db.query('SELECT session_id, data FROM session WHERE personId = ? AND expires > ?', [
    personId,
    now(),
  ])) as { session_id: string; data: string }[];
  return rows
    .map(({ session_id, data }) => {
      const { since, agent } = JSON.parse(data) as { since?: string; agent?: string };
      return { name: nameOf(session_id), since: since ?? null, agent: agent ?? '', current: session_id === current };
    })
    .sort((a, b) => (b.since ?? '').localeCompare(a.since ?? ''));
}

/** Ends one session of a person; true where there was such a one. */
export async function endSession(db: DataSource, personId: string, name: string): Promise<boolean> {
  const rows = (await db.query('SELECT session_id FROM session WHERE personId = ?', [personId])) as {
    session_id: string;
  }[];
  const row = rows.find(({ session_id }) => nameOf(session_id) === name);
  if (row) await db.query('DELETE FROM session WHERE session_id = ?', [row.session_id]);
  return row !== undefined;
}

/** Ends all sessions of a person, but for one where it is named. */
export async function endSessions(db: DataSource, personId: string, except = ''): Promise<void> {
  await db.query('DELETE FROM session WHERE personId = ? AND session_id <> ?', [personId, except]);
}

/** Is this session still open? Asked now and then by streams that outlive a request. */
export async function isOpen(db: DataSource, sessionId: string): Promise<boolean> {
  const rows = (await db.query('SELECT 1 FROM session WHERE session_id = ? AND expires > ?', [
    sessionId,
    now(),
  ])) as unknown[];
  return rows.length > 0;
}
