<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { beforeNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import { BakeryNow } from '../../client/bakery-now.svelte.ts';
	import { answers } from '../../client/answers.ts';
	import { deskKeeps } from '../../client/desk-keeps.ts';
	import type { HandsHere, NightKeeper } from '../../client/on-its-own.ts';
	import { keptAge } from '../../client/kept-age.svelte.ts';
	import { isKept } from '../../client/kept-data.ts';
	import { Listening } from '../../client/listening.svelte.ts';
	import { Outbox } from '../../client/outbox.svelte.ts';
	import { Retries } from '../../client/retries.ts';
	import { provideRoom } from '../../client/room-context.ts';
	import { SIGNED_OUT } from '../../client/signed-out.ts';
	import type { BakeryView, ClockDoubt } from '../../contracts/views.ts';
	import { METRIC } from '../../core/units/index.ts';
	import { parseBakeDate } from '../../core/time/bake-date.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import DateSwitch from './DateSwitch.svelte';
	import Notices from './Notices.svelte';
	import SignedIn from './SignedIn.svelte';
	import Rooms from './Rooms.svelte';
	import type OpenArithmetic from './OpenArithmetic.svelte';
	import { roomAt } from './rooms.ts';
	import type { Slip } from './slip.ts';

	interface Props {
		bakery: BakeryView | null;
		appearance: 'paper' | 'ember' | 'system';
		servedAtMs: number;
		clockDoubt: ClockDoubt | null;
		children: Snippet;
	}
	let { bakery: told, appearance, servedAtMs, clockDoubt, children }: Props = $props();

	const REAL = { anchorRealMs: 0, anchorBakeryMs: 0, rate: 1 };
	// The first value; later ones arrive through the effect.
	const now = untrack(() => new BakeryNow(told?.clock ?? REAL, servedAtMs));
	$effect(() => now.set(told?.clock ?? REAL, Date.now()));
	// Only what follows the moment is read anew by itself; what is being edited stays as it is.
	const retries = new Retries();
	/** What goes on without a network: at tablets and walls, and at a desk that asked for it. */
	let hands = $state.raw<HandsHere | null>(null);
	let keeper = $state.raw<NightKeeper | null>(null);
	const bakery = $derived(
		told && hands ? { ...told, actor: hands.over(told.actor, keptAge.atMs !== null) } : told
	);
	$effect(() => {
		if (told && keptAge.atMs === null) hands?.note(told.actor);
	});
	const outbox = new Outbox(
		retries,
		() => readAnew('jovet:day'),
		() => bakery && { ...bakery.actor, isUntold: hands?.isUntold ?? false },
		() => bakery?.timeZone ?? 'UTC'
	);
	const readMoment = () => readAnew('jovet:moment');
	const live = new Listening(
		async () => {
			keeper?.hear();
			if (!(await readMoment())) retries.add(readMoment);
		},
		() => {
			stays = false;
			wasLost = true;
			void retries.run();
		}
	);
	/** What could not be fetched, since the server went as the page came, is for the next page. */
	const nothing = () => undefined;
	const keepsNights = $derived(told !== null && (told.actor.at !== 'desk' || deskKeeps()));
	async function goOnByOneself() {
		const { HandsHere, NightKeeper } = await import('../../client/on-its-own.ts');
		hands = new HandsHere(retries, ({ name }, refused) => {
			if (refused)
				said = {
					text: `The code of ${name} is asked for again at this tablet: its shift is over.`
				};
			void readAnew('everything');
		});
		hands.start();
		keeper = new NightKeeper(() => date);
		return keeper.start();
	}
	$effect(() => {
		if (keepsNights) {
			const begun = untrack(goOnByOneself);
			return () => void begun.then((stop) => stop(), nothing);
		}
		if (told !== null && navigator.serviceWorker?.controller)
			void import('../../client/keep-night.svelte.ts').then((night) => night.keepNoNights());
	});
	// Nobody leads a wall screen to another page: it takes up what is newer by itself.
	$effect(() => {
		if (keeper?.newer && told?.actor.at === 'wall')
			void keeper.takeOver().then(() => location.reload());
	});
	onMount(() => {
		// Whoever was signed out elsewhere is led to the door; what was typed stays in this browser.
		const toTheDoor = () => void readAnew('everything');
		window.addEventListener(SIGNED_OUT, toTheDoor);
		document.documentElement.dataset.appearance = appearance;
		// What was opened from what is kept here asks by itself whether somebody answers again.
		if (keptAge.atMs !== null) retries.add(() => readAnew('everything'));
		const stops = [now.start(), outbox.start(), () => retries.stop()];
		// From here on the page answers, and keeps what is done here.
		void outbox.opened.then(() => {
			document.documentElement.dataset.ready = 'yes';
		});
		return () => {
			window.removeEventListener(SIGNED_OUT, toTheDoor);
			stops.forEach((stop) => stop());
		};
	});
	// There is a stream for who is signed in; it begins anew for whoever comes next.
	const who = $derived(bakery?.actor.id ?? null);
	const at = $derived(bakery?.actor.at ?? null);
	$effect(() => (who === null ? undefined : untrack(() => live.start())));
	// What waited for somebody goes when that somebody is here.
	$effect(() => {
		if (who === null) return;
		void retries.run();
		// Who may take it up by a tap is another question now.
		if (at === 'tablet') keeper?.keepAnew('/hands');
	});

	/** A way to another page was asked for while the server did not answer. */
	let stays = $state(false);
	/** What a browser could not fetch while the server was away it may never ask for again. */
	let wasLost = false;
	beforeNavigate((navigation) => {
		const { to, willUnload } = navigation;
		if (willUnload || !to) return;
		if (keeper?.newer) {
			navigation.cancel();
			void keeper.takeOver().then(() => location.assign(to.url));
			return;
		}
		if (!(live.lost || wasLost || keptAge.atMs !== null)) return;
		navigation.cancel();
		// A page that cannot be read, and is not kept here, would take what stands here with it.
		void answers().then(async (reached) => {
			stays = !reached && !(await isKept(to.url.href));
			if (!stays) location.assign(to.url);
		});
	});

	const asked = $derived(page.params.date);
	const date = $derived(asked !== undefined && parseBakeDate(asked).ok ? asked : null);
	/** The room is the part of the address behind the date. */
	const room = $derived(roomAt(page.url.pathname.split('/')[3] ?? ''));
	const here = $derived(room.path);

	/** What was said last that was done; the toasts are fetched with the first of them. */
	let said: { readonly text: string } | null = $state.raw(null);
	let slip: Slip | null = $state.raw(null);

	/** What shows an arithmetic: fetched with the first that is asked for. */
	let Arithmetic: typeof OpenArithmetic | null = $state.raw(null);
	async function explain(asked: Slip) {
		slip = asked;
		if (Arithmetic) return;
		try {
			Arithmetic = (await import('./OpenArithmetic.svelte')).default;
		} catch {
			slip = null;
			said = { text: 'Jovet does not answer: the arithmetic cannot be shown yet.' };
		}
	}

	/** What is typed into a figure takes its place: nobody wants 14510 for 14 and 510. */
	function selectFigure({ target }: FocusEvent) {
		if (target instanceof HTMLInputElement && /^(decimal|numeric)$/.test(target.inputMode))
			target.select();
	}

	let lastKnown = untrack(() => told);
	provideRoom({
		get bakery() {
			// While the database is away the page that still stands goes on with what it had.
			lastKnown = bakery ?? lastKnown;
			if (!lastKnown) throw new Error('a room was opened without a bakery');
			return lastKnown;
		},
		now,
		retries,
		outbox,
		get hands() {
			return hands;
		},
		get keeper() {
			return keeper;
		},
		tell: (text) => {
			said = { text };
		},
		explain: (explained, title, notes = []) => {
			void explain({ explained, title, notes });
		}
	});
</script>

<svelte:document onfocusin={selectFigure} />

<svelte:head>
	<title>{date ? `${room.name}, ${date}` : 'Jovet'} · {bakery?.name ?? 'Jovet'}</title>
	<meta
		name="description"
		content={date ? room.about : 'The bakes of a craft bakery, planned and followed.'}
	/>
</svelte:head>

<!-- Chosen once and for months: it comes after all that the page itself needs. -->
{#snippet light()}
	{#await import('./AppearanceSwitch.svelte') then { default: AppearanceSwitch }}
		<AppearanceSwitch {appearance} />
	{/await}
{/snippet}
<a class="skip" href="#room">Skip to the page</a>
<header class="frame">
	<a class="brand" href={resolve('/')} aria-label="Jovet, the next bake">jovet</a>
	{#if bakery && date}
		<Rooms {date} {here} role={bakery.actor.role} />
		<div class="ml-auto"><DateSwitch {date} room={room.path} /></div>
	{/if}
	<div class="appearance {date && bakery ? '' : 'ml-auto'}">{@render light()}</div>
	{#if bakery}
		<div class="clock">
			<time class="text-title font-bold" data-bakery-clock
				>{clockText(now.epochMs, bakery.timeZone)}</time
			>
			<span class="who text-note text-ink-2">
				{dayText(now.epochMs, bakery.timeZone)}
			</span>
		</div>
		<SignedIn actor={bakery.actor} at={page.url.pathname} />
	{/if}
</header>
{#if bakery?.actor.isKeyless && page.route.id !== '/you'}
	{#await import('./NoPassword.svelte') then { default: NoPassword }}
		<NoPassword name={bakery.actor.name} />
	{/await}
{/if}
<Notices
	awaySinceMs={live.awaySinceMs}
	keptAtMs={keptAge.atMs}
	{clockDoubt}
	{stays}
	{outbox}
	{now}
	timeZone={bakery?.timeZone ?? 'UTC'}
/>
<main id="room" tabindex="-1">
	{@render children()}
</main>

<footer class="light-below print:hidden">
	{@render light()}
	{#if bakery}<SignedIn actor={bakery.actor} at={page.url.pathname} />{/if}
</footer>

{#if Arithmetic}
	<Arithmetic
		{slip}
		{date}
		timeZone={bakery?.timeZone ?? 'UTC'}
		units={bakery?.units ?? METRIC}
		onClose={() => (slip = null)}
	/>
{/if}

{#if said}
	{#await import('../../ui/Toasts.svelte') then { default: Toasts }}<Toasts {said} />{/await}
{/if}

<style>
	.frame {
		display: flex;
		align-items: center;
		gap: 12px;
		min-height: 58px;
		padding: 0 16px 0 0;
		background: var(--sheet);
		border-bottom: 2px solid var(--ink);
	}
	.brand {
		align-self: stretch;
		display: grid;
		place-items: center;
		padding: 0 20px;
		border-right: 1px solid var(--line);
		font-size: 24px;
		font-weight: 800;
		text-decoration: none;
	}
	.clock {
		display: grid;
		text-align: right;
		line-height: 1.1;
		padding-left: 14px;
		border-left: 1px solid var(--line);
		white-space: nowrap;
	}
	/* Its place is kept until it is there. */
	.appearance {
		min-width: 140px;
		min-height: 36px;
	}
	.skip {
		position: absolute;
		left: -9999px;
	}
	.skip:focus {
		left: 8px;
		top: 8px;
		z-index: 10;
		background: var(--sheet);
		padding: 8px 16px;
	}
	main:focus {
		outline: none;
	}
	@media print {
		.frame,
		.skip {
			display: none;
		}
	}
	@media (max-width: 1360px) {
		.frame {
			gap: 4px;
			padding-right: 10px;
		}
		.brand {
			padding: 0 10px;
		}
		.clock {
			padding-left: 8px;
		}
	}
	@media (max-width: 1240px) {
		.frame {
			flex-wrap: wrap;
			padding: 4px 10px 0 0;
		}
		.brand {
			min-height: 48px;
			border-right: 0;
		}
	}
	.light-below {
		display: none;
	}
	/* On a phone the frame keeps the date, the time and the pages; the light is chosen below the page. */
	@media (max-width: 600px) {
		.frame {
			min-height: 0;
			padding: 0 6px 0 0;
			row-gap: 0;
		}
		.frame {
			column-gap: 4px;
		}
		.brand {
			padding: 0 2px 0 10px;
			font-size: 19px;
		}
		.clock .text-title {
			font-size: 19px;
		}
		.who {
			display: none;
		}
		.clock {
			border-left: 0;
			padding-left: 0;
		}
		.appearance,
		header :global(.by) {
			display: none;
		}
		.light-below {
			display: grid;
			justify-content: center;
			gap: 12px;
			padding: 20px;
		}
	}
</style>
