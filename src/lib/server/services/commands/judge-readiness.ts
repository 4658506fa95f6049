import { randomUUID } from 'node:crypto';
import { watchedDough } from '../../../contracts/ripening-views.ts';
import { watchDoughs } from '../../../core/bake-day/index.ts';
import { judgeReadiness as judge } from '../../../core/fermentation/index.ts';
import { fail, ok } from '../../../core/result.ts';
import { loadRetarders } from '../../db/retarders.ts';
import { readRoomTrace } from '../read-room-trace.ts';
import { readWaterInputs } from '../temperatures-now.ts';
import type { CommandHandler } from './handler.ts';
import { findMixedDough } from './mixed-dough.ts';

/**
 * Writes down what was seen of a dough and what the baker decided. How far its clock was is worked out here
 * from the same story as the screen's; a decision to go on ends the wait.
 */
export const judgeReadiness: CommandHandler<'judge-readiness'> = async (tx, command) => {
	const found = await findMixedDough(tx, command);
	if (!found.ok) return found;
	const { dough } = found.value;
	const { step, mixed } = dough;
	if (!step) return fail({ kind: 'dough-has-no-clock', name: dough.name });
	const { day } = found.value;
	const inputs = await readWaterInputs(tx, day, command.occurredAtMs);
	const known = inputs.find((one) => one.quantity === 'room')?.reading?.celsius ?? null;
	const firstMs = Math.min(...found.value.all.map((one) => one.mixed?.atMs ?? mixed.atMs));
	const room = await readRoomTrace(tx, firstMs, command.occurredAtMs, known);
	const all = found.value.all.flatMap((one) => {
		const watched = watchedDough(one);
		return watched ? [{ one, watched }] : [];
	});
	const { stories } = watchDoughs(
		all.map(({ watched }) => watched),
		{
			room,
			roomCelsius: known ?? day.bakery.assumed.roomCelsius,
			retarders: await loadRetarders(tx)
		},
		command.occurredAtMs
	);
	const story =
		stories[
			all.findIndex(({ one }) => one.formulaId === dough.formulaId && one.ordinal === dough.ordinal)
		];
	if (!story) return fail({ kind: 'dough-has-no-clock', name: dough.name });
	const { clock } = story;
	const { verdict, seen } = judge(
		{
			share: story.dose / clock.ripeMinutes,
			earlyShare: clock.underMinutes / clock.ripeMinutes,
			lateShare: clock.overMinutes / clock.ripeMinutes
		},
		command.sightings
	);
	await tx
		.insertInto('readiness_judgement')
		.values({
			id: command.id,
			command_id: command.id,
			bake_date: command.date,
			formula_id: command.formulaId,
			ordinal: command.ordinal,
			sightings: JSON.stringify(command.sightings),
			dose_min: story.dose,
			book_ripe_min: step.clock.ripeMinutes,
			seen_share: seen && seen.share > 0 ? seen.share : null,
			seen_spread: seen && seen.share > 0 ? seen.spread : null,
			verdict,
			decision: command.decision,
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	if (command.decision === 'go-on') {
		const here = story.past.at(-1);
		await tx
			.insertInto('dough_move')
			.values({
				id: randomUUID(),
				command_id: command.id,
				bake_date: command.date,
				formula_id: command.formulaId,
				ordinal: command.ordinal,
				place: here?.place ?? 'room',
				ambient_celsius: here?.stretch.ambientCelsius ?? mixed.celsius,
				time_constant_min: 1,
				retarder_id: null,
				ended: true,
				occurred_at: new Date(command.occurredAtMs)
			})
			.execute();
	}
	return ok({ judgementId: command.id, verdict });
};
