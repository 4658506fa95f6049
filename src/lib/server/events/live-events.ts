import { env } from '$env/dynamic/private';
import { listenToAnnouncements, type Listener } from '../db/listen.ts';
import { EventHub } from './hub.ts';

const hub = new EventHub();
let listener: Listener | null = null;

/** Starts to hear what is written, by this server or another one of the same database. */
export function startLiveEvents(): void {
	const url = env.DATABASE_URL;
	if (!url || listener) return;
	listener = listenToAnnouncements(
		url,
		(announcement) => hub.tell({ kind: 'written', ...announcement }),
		() => hub.tell({ kind: 'look-again' })
	);
}

export async function stopLiveEvents(): Promise<void> {
	hub.closeAll();
	const open = listener;
	listener = null;
	await open?.stop();
}

export function liveEvents(): EventHub {
	return hub;
}
