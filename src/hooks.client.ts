import type { ClientInit } from '@sveltejs/kit';
import { watchReadings } from '$lib/client/patient-reading.ts';

export const init: ClientInit = () => watchReadings();
