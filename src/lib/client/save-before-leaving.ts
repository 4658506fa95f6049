import { beforeNavigate, goto } from '$app/navigation';

/** What is on its way is saved before the next room reads it. To be called while a component is set up. */
export function saveBeforeLeaving(model: {
	readonly saving: boolean;
	readonly settled: Promise<void>;
}): void {
	beforeNavigate((navigation) => {
		if (!model.saving || navigation.willUnload || !navigation.to) return;
		const { url } = navigation.to;
		navigation.cancel();
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- it is the address that was asked for
		void model.settled.then(() => goto(url));
	});
}
