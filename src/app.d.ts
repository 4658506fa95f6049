declare global {
	namespace App {
		interface Error {
			message: string;
			/** What to do next, as a link. */
			next?: { href: string; label: string };
		}
		interface Locals {
			appearance: 'paper' | 'ember' | 'system';
		}
	}
}

export {};
