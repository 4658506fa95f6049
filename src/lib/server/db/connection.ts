import { env } from '$env/dynamic/private';
import { openDatabase, type Db } from './client.ts';

let opened: Db | null = null;

/** The one database client of this process. */
export function database(): Db {
	if (!opened) {
		const url = env.DATABASE_URL;
		if (!url) throw new Error('DATABASE_URL is not set; start the application with "npm run demo"');
		opened = openDatabase(url, (error) => {
			console.error(`The connection to PostgreSQL was lost: ${error.message}`);
		});
	}
	return opened;
}

export async function closeDatabase(): Promise<void> {
	const db = opened;
	opened = null;
	await db?.destroy();
}
