import type { ScheduleReply, ScheduleRequest } from '../contracts/schedule-protocol.ts';
import { solveInSlices } from './solve-in-slices.ts';

/** What the worker's side of the protocol needs of its surroundings. */
export interface SchedulePort {
	readonly listen: (handler: (request: ScheduleRequest) => void) => void;
	readonly reply: (message: ScheduleReply) => void;
	/** Lets waiting messages in. */
	readonly pause: () => Promise<void>;
	readonly now: () => number;
}

/**
 * Answers requests for schedules. A new request ends the one at work, a cancel ends its own, and either ends the
 * warming; all are heard while the engine works, between slices.
 */
export function answerScheduleRequests(port: SchedulePort): void {
	// Counts what was asked; only the newest is wanted.
	let turn = 0;
	let current = 0;
	port.listen((request) => {
		if (request.kind === 'cancel') {
			if (request.id === current) turn += 1;
			return;
		}
		turn += 1;
		const own = turn;
		const wanted = () => turn === own;
		if (request.kind === 'warm') {
			void solveInSlices(
				{ ...request, inForce: null, seed: 1 },
				{ now: port.now, pause: port.pause, wanted },
				() => undefined
			).catch(() => undefined);
			return;
		}
		current = request.id;
		void answer(port, request, wanted);
	});
}

async function answer(
	port: SchedulePort,
	request: Extract<ScheduleRequest, { kind: 'solve' }>,
	wanted: () => boolean
): Promise<void> {
	const { id } = request;
	try {
		await port.pause();
		if (!wanted()) {
			port.reply({ kind: 'cancelled', id });
			return;
		}
		const { now, pause } = port;
		const answer = await solveInSlices(request, { now, pause, wanted }, (found) =>
			port.reply({ kind: 'better', id, found })
		);
		if (answer.kind === 'solved') port.reply({ kind: 'solved', id, found: answer.found });
		else if (answer.kind === 'faulty') port.reply({ kind: 'faulty', id, fault: answer.fault });
		else port.reply({ kind: 'cancelled', id });
	} catch (error) {
		port.reply({
			kind: 'broken',
			id,
			message: error instanceof Error ? error.message : String(error)
		});
	}
}
