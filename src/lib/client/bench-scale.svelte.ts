import type { ScaleNowView } from '../contracts/weighing-views.ts';

/** Where this browser keeps which scale stands beside it. */
const PLACE = 'jovet.scale';
/** A scale that is looked at is asked a few times a second. */
const LOOK_EVERY_MS = 400;
/** What was heard longer ago than this is not what lies on it. */
const SILENT_AFTER_MS = 5000;

/** The scale beside this screen: what it shows, less what was taken off by tare. */
export class BenchScale {
	/** Every scale that is let in. */
	scales: readonly ScaleNowView[] = $state.raw([]);
	chosenId: string | null = $state(null);
	tareGrams = $state(0);

	/** Begins to look; gives the way out. */
	start(): () => void {
		try {
			this.chosenId = localStorage.getItem(PLACE);
		} catch {
			// Storage is switched off: the scale is chosen anew on each page.
		}
		let over = false;
		let timer: ReturnType<typeof setTimeout> | null = null;
		const look = async () => {
			if (document.visibilityState === 'visible') await this.#look();
			if (over) return;
			// Where there is no scale, or none is chosen, it is looked for now and then.
			timer = setTimeout(() => void look(), this.chosenId === null ? 5000 : LOOK_EVERY_MS);
		};
		void look();
		return () => {
			over = true;
			if (timer) clearTimeout(timer);
		};
	}

	choose(sensorId: string | null): void {
		this.chosenId = sensorId;
		this.tareGrams = 0;
		try {
			if (sensorId === null) localStorage.removeItem(PLACE);
			else localStorage.setItem(PLACE, sensorId);
		} catch {
			// It is chosen on this page then.
		}
		void this.#look();
	}

	get chosen(): ScaleNowView | null {
		return this.scales.find(({ sensorId }) => sensorId === this.chosenId) ?? null;
	}

	/** It does not speak any more. */
	get isSilent(): boolean {
		const { chosen } = this;
		return chosen !== null && (chosen.ageMs === null || chosen.ageMs > SILENT_AFTER_MS);
	}

	/** What lies on it since it was tared; null where nothing is known of it. */
	get net(): { readonly grams: number; readonly stable: boolean } | null {
		const shown = this.chosen?.shown;
		if (!shown || this.isSilent) return null;
		return { grams: shown.grams - this.tareGrams, stable: shown.stable };
	}

	/** From now on it counts from what lies on it. */
	tare(): void {
		const shown = this.chosen?.shown;
		if (shown) this.tareGrams = shown.grams;
	}

	async #look(): Promise<void> {
		try {
			const answer = await fetch('/scales');
			if (!answer.ok) return;
			// The server's own contract; both ends are built together.
			this.scales = (await answer.json()) as readonly ScaleNowView[];
		} catch {
			// Not reached: what was heard last grows old.
			this.scales = this.scales.map((scale) => ({
				...scale,
				ageMs: scale.ageMs === null ? null : scale.ageMs + LOOK_EVERY_MS
			}));
		}
	}
}
