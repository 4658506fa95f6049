import { id, type PlaceId } from '../../core/identity.ts';
import { demoId } from './demo-id.ts';
import { RETARDERS, type DemoPlace } from './equipment.ts';

/** The id of a place of the bakehouse; a cold room and its place are one. */
export function demoPlaceId(name: DemoPlace): PlaceId {
	const isRetarder = RETARDERS.some((retarder) => retarder.name === name);
	return id<PlaceId>(demoId(isRetarder ? 'retarder' : 'place', name));
}
