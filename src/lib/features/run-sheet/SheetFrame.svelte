<script lang="ts">
	import type { Snippet } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { AcceptedPlanView } from '../../contracts/views.ts';
	import type { Sheet } from '../../contracts/sheet-paths.ts';
	import { SITE_RULES } from '../../wording/sheet-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';

	interface Props {
		sheet: Sheet;
		title: string;
		date: string;
		accepted: AcceptedPlanView;
		/** What can hurt in the work of this sheet. */
		caution: string;
		/** A word under the title. */
		about?: string;
		children: Snippet;
	}
	let { sheet, title, date, accepted, caution, about = '', children }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;
	const when = $derived(
		`${dayText(accepted.acceptedAtMs, zone)} ${clockText(accepted.acceptedAtMs, zone)}`
	);
</script>

<article class="sheet" data-sheet-of={sheet}>
	<header class="sheet-head">
		<p class="sheet-title">{title} · {dateText(date)}</p>
		<p>
			{bakery.name} · plan version {accepted.number}, accepted by {accepted.acceptedBy}, {when}
		</p>
	</header>
	{#if !accepted.current}
		<p class="old"><b>Out of date:</b> orders or times changed since this plan was accepted.</p>
	{/if}
	{#if about}<p class="about">{about}</p>{/if}
	{@render children()}
	<p class="foot">A time here is a forecast; the dough decides. {caution} {SITE_RULES}</p>
</article>

<style>
	.sheet {
		background: var(--sheet);
		border: 1px solid var(--line);
		margin: 0 auto 24px;
		padding: 20px;
		max-width: 1120px;
	}
	.sheet-head {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: baseline;
		column-gap: 24px;
		border-bottom: 2px solid var(--ink);
	}
	.sheet-title {
		font-size: 24px;
		font-weight: 800;
	}
	.about {
		margin: 6px 0;
	}
	.old {
		border: 2px solid var(--ink);
		padding: 2px 6px;
		margin-top: 6px;
	}
	.foot {
		margin-top: 10px;
		font-size: 13px;
		color: var(--ink-2);
	}
	@media print {
		/* Read at arm's length, by hands that are busy: more pages rather than small print. */
		.sheet {
			border: 0;
			padding: 0;
			margin: 0;
			max-width: none;
			font-size: 11pt;
			line-height: 1.25;
		}
		.sheet + :global(.sheet),
		:global(.sheet) + .sheet {
			break-before: page;
		}
		.sheet-title {
			font-size: 16pt;
		}
		.foot {
			font-size: 9pt;
		}
	}
</style>
