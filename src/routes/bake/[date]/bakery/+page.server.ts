import { env } from '$env/dynamic/private';
import { backupSeen } from '$lib/server/backup-seen.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readBakeryRoom } from '$lib/server/services/read-bakery-room.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const [room, backup] = await Promise.all([
			readBakeryRoom(database(), date),
			backupSeen(env.JOVET_BACKUPS, Date.now())
		]);
		return { room, backup };
	});
};
