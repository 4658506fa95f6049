import type { BringInReply, BringInRequest } from '../formats/book/protocol.ts';
import { knownOf } from '../formats/book/known-of.ts';
import { readAnyBook } from '../formats/book/read-any.ts';

const reply = (message: BringInReply) => self.postMessage(message);

self.onmessage = ({ data }: MessageEvent<BringInRequest>) => {
	const known = knownOf(data.ours, new Map(data.matches), data.kinds);
	const read = readAnyBook(data.bytes, data.name, known, (done, all) =>
		reply({ kind: 'progress', turn: data.turn, done, all })
	);
	reply({
		kind: 'read',
		turn: data.turn,
		read,
		// A book describes its ingredients; what has none was read line by line.
		linesAlone: read.ok && read.value.file.ingredients.length === 0
	});
};
