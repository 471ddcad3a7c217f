declare module 'express-mysql-session' {
  import type session from 'express-session';
  interface StoreOptions {
    host: string;
    port: number;
    user: string;
    password: string;
    database: string;
    createDatabaseTable: boolean;
    disableTouch?: boolean;
    clearExpired: boolean;
    checkExpirationInterval: number;
    expiration: number;
    connectionLimit: number;
    schema: { tableName: string; columnNames: { session_id: string; expires: string; data: string } };
  }
  type StoreClass = new (options: StoreOptions) => session.Store & { close(): Promise<void> };
  export default function factory(sessionModule: never): StoreClass;
}
