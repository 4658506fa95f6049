/** One id for each thing, however often it is worked out: taking it twice takes it once. */
export class KeptIds {
	#ids = new Map<string, string>();

	of(kind: string, key: string): string {
		const name = `${kind} ${key}`;
		const id = this.#ids.get(name) ?? crypto.randomUUID();
		this.#ids.set(name, id);
		return id;
	}

	forget(): void {
		this.#ids = new Map();
	}
}
