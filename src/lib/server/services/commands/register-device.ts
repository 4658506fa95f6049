import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Lets a device in by the fingerprint of its key; the key itself never comes here. */
export const registerDevice: CommandHandler<'register-device'> = async (tx, command) => {
	const taken = await tx
		.selectFrom('device')
		.select('id')
		.where((where) =>
			where.or([where('name', '=', command.name), where('key_sha256', '=', command.keySha256)])
		)
		.executeTakeFirst();
	if (taken) return fail({ kind: 'name-taken', name: command.name });
	await tx
		.insertInto('device')
		.values({
			id: command.deviceId,
			name: command.name,
			key_sha256: command.keySha256,
			command_id: command.id
		})
		.execute();
	await tx
		.insertInto('device_sensor')
		.values(
			command.sensors.map((one) => ({
				id: one.id,
				device_id: command.deviceId,
				name: one.name,
				kind: one.kind,
				report_every_s: one.reportEverySeconds
			}))
		)
		.execute();
	return ok({ deviceId: command.deviceId });
};
