import type { BringInReply, BringInRequest } from '../formats/book/protocol.ts';
import BringInWorker from './bring-in.worker.ts?worker';

/** A worker that reads files, as it is spoken to. */
export interface BringInReader {
	readonly read: (request: BringInRequest) => void;
	readonly stop: () => void;
}

/** Starts a worker that reads files of formulas; only a browser can. */
export function startBringInReader(
	onReply: (reply: BringInReply) => void,
	onBroken: () => void
): BringInReader {
	const worker = new BringInWorker();
	worker.onmessage = ({ data }: MessageEvent<BringInReply>) => onReply(data);
	worker.onerror = onBroken;
	return {
		read: (request) => worker.postMessage(request),
		stop: () => worker.terminate()
	};
}
