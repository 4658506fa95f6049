import pg from 'pg';
import { SERVER_MARKER } from './client.ts';

/** The channel on which servers tell each other that something was written. */
const CHANNEL = 'jovet';
const FIRST_RETRY_MS = 250;
const LONGEST_RETRY_MS = 5000;

export interface Announcement {
	/** Rises by one with everything announced; what was rolled back leaves a gap. */
	readonly sequence: number;
	readonly topic: string;
}

export interface Listener {
	readonly stop: () => Promise<void>;
}

/**
 * Hears what any server of this database announces, on a connection of its own that is opened again
 * whenever it is lost. After each opening `onOpen` is told, for something may have been missed meanwhile.
 */
export function listenToAnnouncements(
	connectionString: string,
	onAnnouncement: (announcement: Announcement) => void,
	onOpen: () => void
): Listener {
	let stopped = false;
	let client: pg.Client | null = null;
	let timer: ReturnType<typeof setTimeout> | null = null;
	let retryMs = FIRST_RETRY_MS;

	const again = () => {
		client = null;
		if (stopped || timer) return;
		timer = setTimeout(() => {
			timer = null;
			void open();
		}, retryMs);
		retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
	};
	const open = async () => {
		if (stopped) return;
		const opening = new pg.Client({
			connectionString,
			application_name: `${SERVER_MARKER}-listener`,
			keepAlive: true,
			connectionTimeoutMillis: 3000
		});
		client = opening;
		// Both may come for one loss; only the client of the moment is replaced.
		opening.on('error', () => client === opening && again());
		opening.on('end', () => client === opening && again());
		opening.on('notification', ({ payload }) => {
			const [sequence = '', topic = ''] = (payload ?? '').split(' ');
			if (Number.isSafeInteger(Number(sequence)) && topic !== '')
				onAnnouncement({ sequence: Number(sequence), topic });
		});
		try {
			await opening.connect();
			await opening.query(`listen ${CHANNEL}`);
			retryMs = FIRST_RETRY_MS;
			onOpen();
		} catch {
			if (client === opening) again();
			await opening.end().catch(() => undefined);
		}
	};
	void open();
	return {
		stop: async () => {
			stopped = true;
			if (timer) clearTimeout(timer);
			const open = client;
			client = null;
			await open?.end().catch(() => undefined);
		}
	};
}
