import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type PlaceId } from '../identity.ts';
import { FIRST_BUILD_STEPS } from './first-steps.ts';
import { legStandingIn, stepsInPlaces, type Place, type Step } from './index.ts';

const CELLAR: Place = {
	id: id<PlaceId>('cellar'),
	name: 'Cellar',
	kind: 'room',
	role: 'other',
	celsius: 16
};
const [stir, ferment] = FIRST_BUILD_STEPS;
const inCellar: readonly Step[] = [
	stir!,
	{
		...(ferment as Extract<Step, { kind: 'wait' }>),
		legs: (ferment as Extract<Step, { kind: 'wait' }>).legs.map((leg) => legStandingIn(leg, CELLAR))
	}
];
const legOf = (steps: readonly Step[]) => {
	const wait = steps.find((step) => step.kind === 'wait');
	return wait?.kind === 'wait' ? wait.legs[0] : undefined;
};

test('a leg moved to a named place keeps its time and takes the place’s temperature', () => {
	const leg = legOf(inCellar);
	assert.equal(leg?.ambientCelsius, 16);
	assert.deepEqual(leg?.named, { id: 'cellar', name: 'Cellar' });
	assert.equal(leg?.minutes, legOf(FIRST_BUILD_STEPS)?.minutes);
});

test('steps follow a place that is set otherwise, called otherwise, or became another kind', () => {
	const now: Place = { ...CELLAR, name: 'Old cellar', kind: 'cold', celsius: 11 };
	const leg = legOf(stepsInPlaces(inCellar, new Map([[now.id, now]])));
	assert.equal(leg?.ambientCelsius, 11);
	assert.equal(leg?.place, 'cold');
	assert.equal(leg?.named?.name, 'Old cellar');
});

test('a place nobody knows any more, and one that was never named, stay as they were written', () => {
	assert.deepEqual(stepsInPlaces(inCellar, new Map()), inCellar);
	assert.equal(stepsInPlaces(FIRST_BUILD_STEPS, new Map([[CELLAR.id, CELLAR]])), FIRST_BUILD_STEPS);
});
