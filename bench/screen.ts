import http from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';

/** As a browser does: what is written at once is looked at once. */
const SETTLE_MS = 250;

/** A screen that follows the bench: it holds a stream open, and reads the moment anew when it hears of something. */
export class Screen {
	/** How often it heard of something, and how often it read the moment since. */
	heard = 0;
	readings = 0;
	/** What came of readings that were not answered by the moment. */
	readonly wrong: string[] = [];
	#stream: http.ClientRequest | null = null;
	#waits = false;
	#over = false;

	constructor(
		private readonly origin: string,
		private readonly path: string,
		private readonly cookie: string
	) {}

	/** Opens its stream; resolves once that is answered. */
	open(): Promise<void> {
		return new Promise((resolve, reject) => {
			this.#stream = http.get(
				`${this.origin}/events`,
				{ headers: { cookie: this.cookie }, agent: false },
				(response) => {
					if (response.statusCode !== 200) return reject(new Error(`${response.statusCode}`));
					response.on('error', () => undefined);
					response.on('data', (chunk: Buffer) => {
						if (!chunk.includes('event: written')) return;
						this.heard += 1;
						this.#settle();
					});
					resolve();
				}
			);
			this.#stream.on('error', reject);
		});
	}

	close(): void {
		this.#over = true;
		this.#stream?.destroy();
	}

	#settle(): void {
		if (this.#waits || this.#over) return;
		this.#waits = true;
		void pause(SETTLE_MS).then(async () => {
			this.#waits = false;
			if (this.#over) return;
			// A page asks first whether there is an answer at all.
			await fetch(`${this.origin}/health`).catch(() => undefined);
			// What does not follow the moment is not asked for: the frame, and the plan of the night.
			const answer = await fetch(
				`${this.origin}${this.path}/__data.json?x-sveltekit-invalidated=001`,
				{ headers: { cookie: this.cookie } }
			).catch((error: unknown) => String(error));
			if (this.#over) return;
			if (typeof answer === 'string' || !answer.ok)
				return void this.wrong.push(typeof answer === 'string' ? answer : String(answer.status));
			const text = await answer.text();
			if ((text.match(/"skip"/g) ?? []).length === 2) this.readings += 1;
			else this.wrong.push('more than the moment was read');
		});
	}
}
