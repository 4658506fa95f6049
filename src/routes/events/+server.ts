import { liveEvents } from '$lib/server/events/live-events.ts';
import type { LiveEvent } from '$lib/server/events/hub.ts';
import { tokenOf } from '$lib/server/auth/session-cookie.ts';
import { visitorOf } from '$lib/server/auth/visitor.ts';
import { database } from '$lib/server/db/connection.ts';
import { addressOf } from '$lib/server/edge/front.ts';
import type { RequestHandler } from './$types';

/** A stream that says nothing for longer than this is taken for lost by what stands in between. */
const BEAT_MS = 20_000;
const RETRY_MS = 2000;
/** Sessions also end by themselves: it is looked for after so many beats. */
const LOOK_AFTER_BEATS = 15;
/** Streams of one client: screens enough for any bakery, and an end to what opens them without one. */
const MOST_OF_ONE = 100;

const HEADERS = {
	'content-type': 'text/event-stream',
	'cache-control': 'no-store',
	'x-accel-buffering': 'no'
};

/** Open streams by address. */
const open = new Map<string, number>();

/** The event stream of a browser: that something was written, never what. */
export const GET: RequestHandler = (event) => {
	const { request, cookies } = event;
	const address = addressOf(event);
	if ((open.get(address) ?? 0) >= MOST_OF_ONE)
		return new Response('This address has too many streams open; close some of its pages.\n', {
			status: 429,
			headers: { 'cache-control': 'no-store', 'retry-after': '60' }
		});
	open.set(address, (open.get(address) ?? 0) + 1);
	const text = new TextEncoder();
	let end = () => {};
	const stream = new ReadableStream<Uint8Array>({
		start(controller) {
			let over = false;
			const say = (what: string) => {
				if (!over) controller.enqueue(text.encode(what));
			};
			const leave = liveEvents().subscribe(
				(told) => {
					say(written(told));
					if (told.kind === 'written' && told.topic === 'doors') void look().catch(() => undefined);
				},
				() => end()
			);
			// A session that was ended has no stream any more, and its screen is told why.
			const look = async () => {
				const { actor } = await visitorOf(database(), tokenOf(cookies), Date.now());
				if (actor) return;
				say('event: signed-out\ndata: {}\n\n');
				end();
			};
			// It may have been ended while this stream was opened, before anything was heard here.
			void look().catch(() => undefined);
			let beats = 0;
			const beat = setInterval(() => {
				say(': still here\n\n');
				beats += 1;
				// While the database is away nobody is signed out.
				if (beats % LOOK_AFTER_BEATS === 0) void look().catch(() => undefined);
			}, BEAT_MS);
			end = () => {
				if (over) return;
				over = true;
				const others = (open.get(address) ?? 1) - 1;
				if (others > 0) open.set(address, others);
				else open.delete(address);
				clearInterval(beat);
				leave();
				try {
					controller.close();
				} catch {
					// The browser went first.
				}
			};
			request.signal.addEventListener('abort', end);
			say(`retry: ${RETRY_MS}\n\n`);
		},
		cancel: () => end()
	});
	return new Response(stream, { headers: HEADERS });
};

/** What would open a stream is asked without one. */
export const HEAD: RequestHandler = () => new Response(null, { headers: HEADERS });

function written(event: LiveEvent): string {
	if (event.kind === 'look-again') return 'event: look-again\ndata: {}\n\n';
	const { sequence, topic } = event;
	return `event: written\ndata: ${JSON.stringify({ sequence, topic })}\n\n`;
}
