import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Shuts a device out; what it read stays. */
export const revokeDevice: CommandHandler<'revoke-device'> = async (tx, command) => {
	const done = await tx
		.updateTable('device')
		.set((set) => ({
			revoked_at: set.fn.coalesce('revoked_at', set.val(new Date(command.occurredAtMs)))
		}))
		.where('id', '=', command.deviceId)
		.executeTakeFirst();
	return done.numUpdatedRows > 0n
		? ok({ deviceId: command.deviceId })
		: fail({ kind: 'unknown', what: 'device' });
};
