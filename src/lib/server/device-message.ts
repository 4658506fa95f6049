import type { z } from 'zod';
import { MOST_MESSAGE_BYTES } from '../contracts/device-protocol.ts';
import { fail, ok, type Result } from '../core/result.ts';
import { refuseDevice } from './device-door.ts';
import { readBody } from './edge/read-body.ts';

/** Reads what a device sent as one message; gives the answer to give where it is none. `what` says what one is. */
export async function readDeviceMessage<Message extends z.ZodType>(
	request: Request,
	schema: Message,
	what: string
): Promise<Result<z.output<Message>, Response>> {
	const sent = await readBody(request, MOST_MESSAGE_BYTES);
	if (sent.kind === 'too-large')
		return fail(
			refuseDevice(413, 'too-large', `a message has ${MOST_MESSAGE_BYTES} bytes at the most`)
		);
	let body: unknown;
	try {
		body = JSON.parse(sent.text);
	} catch {
		return fail(refuseDevice(400, 'malformed', 'the body is not JSON'));
	}
	const message = schema.safeParse(body);
	return message.success ? ok(message.data) : fail(refuseDevice(400, 'malformed', what));
}
