import diagnostics from 'node:diagnostics_channel';
import type { IncomingMessage } from 'node:http';

/**
 * Lets go by what a request still sends after it was answered. A body that was begun and not read to its end
 * would stand before the next request of its connection, and hold it up until the connection is given up.
 */
export function drainAnsweredRequests(): void {
	diagnostics.subscribe('http.server.response.finish', (message) => {
		const { request } = message as { readonly request: IncomingMessage };
		if (request.complete) return;
		request.removeAllListeners('data');
		request.resume();
	});
}
