import { STATIONS, type Station } from '../core/planning/index.ts';

/** Where this browser keeps which stations sound here. */
const PLACE = 'jovet.bench.sounds';
/** Two short tones, higher or lower by station: they are told apart without looking. */
const PITCH_HZ: Readonly<Record<Station, number>> = {
	packing: 392,
	mixer: 494,
	bench: 659,
	oven: 880
};
const TONE_S = 0.22;
const PAUSE_S = 0.12;
const LOUDNESS = 0.35;
/** What nobody answers sounds again after this. */
const AGAIN_MS = 30_000;

/** The sound of this screen: what is due rings until somebody begins it, puts it off or silences it here. */
export class BenchTone {
	/** The stations that sound here. */
	stations: readonly Station[] = $state.raw([]);
	/** Browsers let a page sound only after it was touched once. */
	isAllowed = $state(false);
	/** What rings now, by its key. */
	ringing: readonly string[] = $state.raw([]);
	#context: AudioContext | null = null;
	#silenced: readonly string[] = [];
	#timer: ReturnType<typeof setInterval> | null = null;
	#sounds: readonly Station[] = [];

	/** Takes up what was chosen here before; gives the way out. */
	start(): () => void {
		try {
			const kept = (localStorage.getItem(PLACE) ?? '').split(' ');
			this.stations = STATIONS.filter((station) => kept.includes(station));
		} catch {
			// Storage is switched off: it is chosen anew on each page.
		}
		return () => {
			if (this.#timer) clearInterval(this.#timer);
			void this.#context?.close();
		};
	}

	/** Lets a station sound here, or not; the tap that says so also lets the page sound at all. */
	async choose(station: Station, sounds: boolean): Promise<void> {
		this.stations = STATIONS.filter((one) =>
			one === station ? sounds : this.stations.includes(one)
		);
		try {
			localStorage.setItem(PLACE, this.stations.join(' '));
		} catch {
			// Storage is switched off: it holds on this page.
		}
		await this.allow();
		if (sounds) this.#sound([station]);
	}

	async allow(): Promise<void> {
		this.#context ??= new AudioContext();
		await this.#context.resume();
		this.isAllowed = this.#context.state === 'running';
	}

	/** What is due now and not begun, with its station: what is new of it rings. */
	ring(due: readonly { readonly key: string; readonly station: Station }[]): void {
		const heard = due.filter(
			({ key, station }) => this.stations.includes(station) && !this.#silenced.includes(key)
		);
		const before = this.ringing;
		const keys = heard.map(({ key }) => key);
		this.#sounds = STATIONS.filter((one) => heard.some(({ station }) => station === one));
		if (keys.join() !== this.ringing.join()) this.ringing = keys;
		if (heard.some(({ key }) => !before.includes(key))) this.#sound(this.#sounds);
		if (heard.length === 0 && this.#timer) {
			clearInterval(this.#timer);
			this.#timer = null;
		} else if (heard.length > 0)
			this.#timer ??= setInterval(() => this.#sound(this.#sounds), AGAIN_MS);
	}

	/** Silences here what rings now; what falls due later rings again. */
	silence(): void {
		this.#silenced = [...this.#silenced, ...this.ringing];
		this.ring([]);
	}

	#sound(stations: readonly Station[]): void {
		const context = this.#context;
		if (context?.state !== 'running') return;
		let at = context.currentTime;
		for (const station of stations)
			for (let time = 0; time < 2; time += 1) {
				const tone = context.createOscillator();
				const loudness = context.createGain();
				tone.frequency.value = PITCH_HZ[station];
				loudness.gain.setValueAtTime(0, at);
				loudness.gain.linearRampToValueAtTime(LOUDNESS, at + 0.02);
				loudness.gain.setValueAtTime(LOUDNESS, at + TONE_S - 0.03);
				loudness.gain.linearRampToValueAtTime(0, at + TONE_S);
				tone.connect(loudness).connect(context.destination);
				tone.start(at);
				tone.stop(at + TONE_S);
				at += TONE_S + PAUSE_S;
			}
	}
}
