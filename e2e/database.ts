import { randomUUID } from 'node:crypto';
import pg from 'pg';

/** A new database of the PostgreSQL server that `npm test` has begun; `null` where none is installed. */
export async function newDatabase(): Promise<string | null> {
  const admin = process.env.TEST_DATABASE_URL;
  if (!admin) return null;
  const name = `studio_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return admin.replace(/\/postgres$/, `/${name}`);
}
