import type { Asking } from '../../src/lib/server/auth/doors.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';

const { password, people: PEOPLE } = demoPeople();
export const PASSWORD = password;
export const [MAUD, ILO, PERRIN, WENNA] = [
	'Maud Tarrow',
	'Ilo Venn',
	'Perrin Oake',
	'Wenna Tull'
].map((name) => ({
	id: demoId('person', name),
	name,
	code: PEOPLE.find((one) => one.name === name)?.code ?? ''
})) as [Person, Person, Person, Person];
export interface Person {
	readonly id: string;
	readonly name: string;
	readonly code: string;
}

/** The doors know the real clock alone; each test stands at a moment of its own, so that none uses up another's tries. */
let hours = 0;
export const moment = () => Date.now() + (hours += 1) * 1000;
let places = 0;
export const asking = (more: Partial<Asking> = {}): Asking => ({
	address: `192.0.2.${(places += 1)}`,
	browser: 'a browser',
	token: undefined,
	nowMs: moment(),
	...more
});
