import { liveEvents } from '$lib/server/events/live-events.ts';
import type { LiveEvent } from '$lib/server/events/hub.ts';
import type { RequestHandler } from './$types';

/** A stream that says nothing for longer than this is taken for lost by what stands in between. */
const BEAT_MS = 20_000;
const RETRY_MS = 2000;

/** The event stream of a browser: that something was written, never what. */
export const GET: RequestHandler = ({ request }) => {
	const text = new TextEncoder();
	let end = () => {};
	const stream = new ReadableStream<Uint8Array>({
		start(controller) {
			let over = false;
			const say = (what: string) => {
				if (!over) controller.enqueue(text.encode(what));
			};
			const leave = liveEvents().subscribe(
				(event) => say(written(event)),
				() => end()
			);
			const beat = setInterval(() => say(': still here\n\n'), BEAT_MS);
			end = () => {
				if (over) return;
				over = true;
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
	return new Response(stream, {
		headers: {
			'content-type': 'text/event-stream',
			'cache-control': 'no-store',
			'x-accel-buffering': 'no'
		}
	});
};

function written(event: LiveEvent): string {
	if (event.kind === 'look-again') return 'event: look-again\ndata: {}\n\n';
	const { sequence, topic } = event;
	return `event: written\ndata: ${JSON.stringify({ sequence, topic })}\n\n`;
}
