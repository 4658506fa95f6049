import type { ClientInit } from '@sveltejs/kit';
import { askPatiently } from '$lib/client/patient-reading.ts';

export const init: ClientInit = () => askPatiently();
