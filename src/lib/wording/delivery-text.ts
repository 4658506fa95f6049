import type { BakeDayInput, DayPlan, DeliveryTask } from '../core/planning/index.ts';
import { capital } from './capital.ts';
import { NOBODY_YET } from './lacked-hands.ts';
import { clockText } from './time-text.ts';

/** What is done for a drop, as it stands on a list. */
export function deliveryActText({ what, name }: DeliveryTask): string {
	switch (what) {
		case 'pick':
			return `Pick for ${name}`;
		case 'load':
			return `Load the van: ${name}`;
		case 'drive':
			return `Drive: ${name}, and back`;
	}
}

/** Who does it, by name; "nobody yet" where somebody has to be found. */
export function deliveryWhoText(
	{ what, dropId, personIds }: DeliveryTask,
	{ cautions }: Pick<DayPlan, 'cautions'>,
	{ people }: BakeDayInput
): string {
	const isLacking = cautions.some(
		(caution) =>
			caution.kind === 'nobody-for-drop' &&
			caution.dropId === dropId &&
			(caution.what === 'pick') === (what === 'pick')
	);
	if (isLacking) return NOBODY_YET;
	return personIds
		.flatMap((id) => people?.find((person) => person.id === id)?.name ?? [])
		.join(', ');
}

const IN_A_SENTENCE: Readonly<Record<DeliveryTask['what'], string>> = {
	pick: 'picking',
	load: 'loading',
	drive: 'on the road'
};

/** How a drop goes out, in a sentence; empty where nothing is planned of it. */
export function deliverySentence(
	dropId: string,
	plan: Pick<DayPlan, 'deliveries' | 'cautions'>,
	input: BakeDayInput,
	zone: string
): string {
	const own = plan.deliveries.filter((one) => one.dropId === dropId);
	if (own.length === 0) return '';
	const whoOf = (one: DeliveryTask) => deliveryWhoText(one, plan, input);
	const [first] = own.map(whoOf);
	const told = (one: DeliveryTask) => `${IN_A_SENTENCE[one.what]} ${clockText(one.fromMs, zone)}`;
	// Who does all of it is named once.
	if (own.every((one) => whoOf(one) === first)) {
		const all = own.map(told).join(', ');
		return `${first ? `${first}: ${all}` : capital(all)}.`;
	}
	const each = own.map((one) => {
		const who = whoOf(one);
		return who === '' ? told(one) : `${told(one)} (${who})`;
	});
	return `${capital(each.join(', '))}.`;
}
