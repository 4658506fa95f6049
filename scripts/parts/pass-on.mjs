// Passes requests on to one of several processes of the application: whichever answers.
import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { createProxyServer } from 'httpxy';

/** Only a door of Jovet says these: what a browser sends under such a name is thrown away. */
export const OWN = 'x-jovet-';

/** So much of a body is held here, so that it can be sent once more. What is larger goes straight through. */
const MOST_HELD_BYTES = 64 * 1024;

/**
 * Where each process answers, null for one that does not run; always in the same order.
 * @typedef {() => readonly (string | null)[]} Answering
 */

/**
 * One client always meets the same process while that runs: its tries and its streams are counted in one place. Where that
 * process has just gone the next one is asked, as long as the first can have done nothing of it.
 * @param {Answering} answering
 * @returns {(request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse) => Promise<void>}
 */
export function passOn(answering) {
	const proxy = createProxyServer({ xfwd: false });
	return async (request, response) => {
		const body = await heldBody(request).catch(() => undefined);
		// The browser went before it had said everything.
		if (body === undefined) return void response.destroy();
		const address = request.socket.remoteAddress ?? '';
		/** @type {Set<string>} */
		const asked = new Set();
		for (;;) {
			// Looked up anew each time: another may have come back meanwhile.
			const target = inTurn(answering(), address).find((one) => !asked.has(one));
			if (target === undefined) break;
			asked.add(target);
			try {
				await proxy.web(request, response, {
					target,
					...(body === null ? {} : { buffer: Readable.from(body) })
				});
				return;
			} catch (error) {
				if (response.headersSent || response.destroyed) return void response.destroy();
				if (body === null || !mayBeAskedAgain(request, error)) break;
			}
		}
		answerThatNobodyDoes(response);
	};
}

/** Processes that run, beginning with the one that an address belongs to. @param {readonly (string | null)[]} all @param {string} address */
export function inTurn(all, address) {
	const first = createHash('sha256').update(address).digest().readUInt32BE() % (all.length || 1);
	return [...all.slice(first), ...all.slice(0, first)].filter((one) => one !== null);
}

/**
 * A body in pieces, where it is small enough to be held; null where it is not, or nobody said how large it is.
 * @param {import('node:http').IncomingMessage} request
 */
async function heldBody(request) {
	const { 'content-length': length, 'transfer-encoding': coding } = request.headers;
	if (coding !== undefined || Number(length ?? 0) > MOST_HELD_BYTES) return null;
	/** @type {Buffer[]} */
	const pieces = [];
	for await (const piece of request) pieces.push(piece);
	return pieces;
}

/**
 * Whether nothing of it can have been done: the process was not there at all, or only something was to be read.
 * @param {import('node:http').IncomingMessage} request
 * @param {unknown} error
 */
function mayBeAskedAgain(request, error) {
	if (request.method === 'GET' || request.method === 'HEAD') return true;
	return error instanceof Error && 'code' in error && error.code === 'ECONNREFUSED';
}

/** @param {import('node:http').ServerResponse} response */
function answerThatNobodyDoes(response) {
	response.writeHead(503, {
		'content-type': 'text/plain; charset=utf-8',
		'cache-control': 'no-store',
		'retry-after': '2'
	});
	response.end('Jovet does not answer at the moment. It is started again by itself.\n');
}
