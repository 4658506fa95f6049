import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { DeviceAccess } from '../device-client.ts';

/** A server that a device under test speaks to; what comes of a request is told by who records it. */
export abstract class RecordingServer {
	readonly anchorRealMs = Date.now();
	readonly anchorBakeryMs = Date.UTC(2026, 10, 23, 20, 0);
	#waiting: (() => void)[] = [];
	readonly #server = createServer((request, response) => void this.#take(request, response));

	constructor(
		private readonly key: string,
		/** How many times as fast as the real one the bakery's clock runs. */
		protected readonly rate: number
	) {}

	async open(): Promise<DeviceAccess> {
		await new Promise<void>((resolve) => this.#server.listen(0, '127.0.0.1', resolve));
		const { port } = this.#server.address() as AddressInfo;
		return { address: `http://127.0.0.1:${port}`, key: this.key };
	}

	async close(): Promise<void> {
		this.#server.closeAllConnections();
		await new Promise((resolve) => this.#server.close(resolve));
	}

	bakeryMs(): number {
		return this.anchorBakeryMs + (Date.now() - this.anchorRealMs) * this.rate;
	}

	/** Waits until something holds of what was said. */
	async until(holds: () => boolean): Promise<void> {
		while (!holds()) await new Promise<void>((resolve) => this.#waiting.push(resolve));
	}

	protected abstract answer(request: IncomingMessage, body: string, response: ServerResponse): void;

	async #take(request: IncomingMessage, response: ServerResponse): Promise<void> {
		let body = '';
		for await (const chunk of request) body += String(chunk);
		this.answer(request, body, response);
		for (const wake of this.#waiting.splice(0)) wake();
	}
}

/** The key that a request shows. */
export function keyOf(request: IncomingMessage): string {
	return request.headers.authorization?.replace(/^Bearer /, '') ?? '';
}

export function answerWith(response: ServerResponse, what: unknown): void {
	response.setHeader('content-type', 'application/json').end(JSON.stringify(what));
}
