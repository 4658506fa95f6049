<script lang="ts">
	import type { BackupSeen } from '../../contracts/bakery-views.ts';
	import { ageText } from '../../wording/time-text.ts';

	interface Props {
		seen: BackupSeen;
	}
	let { seen }: Props = $props();
	/** One a day is taken: one that is much older did not come about. */
	const LATE_MS = 36 * 3_600_000;
	/** A night of taps and readings takes some megabytes, a backup as much as all of it packed. */
	const LITTLE_BYTES = 2 * 1024 ** 3;
	const isNarrow = $derived(seen.freeBytes !== null && seen.freeBytes < LITTLE_BYTES);
	const isLate = $derived(seen.lastMs === null || seen.nowMs - seen.lastMs > LATE_MS);
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="backups" data-backups>
	<h2 id="backups">Backups</h2>
	<p class="my-2">
		{#if isLate}<span class="act-now px-2">Check</span>{/if}
		{#if seen.lastMs === null}
			There is none yet. One a day is taken while Jovet runs; what is in the way stands where it was
			started.
		{:else}
			The last one was taken {ageText(seen.lastMs, seen.nowMs)}; {seen.kept === 1
				? 'it is the only one'
				: `${seen.kept} are kept`}.
			{#if isLate}A newer one did not come about: what is in the way stands where Jovet was started.{/if}
		{/if}
	</p>
	{#if seen.freeBytes !== null}
		<p class="my-2" data-room-left>
			{#if isNarrow}<span class="act-now px-2">Check</span>{/if}
			{(seen.freeBytes / 1024 ** 3).toFixed(1)} GB are left on their disk{isNarrow
				? ': make room before it is full, or nothing can be saved'
				: ''}.
		</p>
	{/if}
	<p class="text-ink-2">
		They lie on this machine, in the folder backups of its data. Copy them to another one now and
		then: <code>npm run backup -- --to</code> writes one anywhere, <code>npm run restore</code> puts one
		back.
	</p>
</section>
