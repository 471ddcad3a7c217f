export interface DatabaseAddress {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
}

/** The address from ASPECTA_DB_* in the environment; the start script sets them. */
export function databaseAddress(env: NodeJS.ProcessEnv = process.env): DatabaseAddress {
  return {
    host: env['ASPECTA_DB_HOST'] ?? '127.0.0.1',
    port: Number(env['ASPECTA_DB_PORT'] ?? 33_961),
    user: env['ASPECTA_DB_USER'] ?? 'aspecta',
    password: env['ASPECTA_DB_PASSWORD'] ?? '',
    database: env['ASPECTA_DB_NAME'] ?? 'aspecta',
  };
}
