<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import ChevronLeft from '@lucide/svelte/icons/chevron-left';
	import ChevronRight from '@lucide/svelte/icons/chevron-right';
	import { shortDateText } from '../../wording/time-text.ts';
	import type { RoomPath } from './rooms.ts';

	interface Props {
		date: string;
		room: RoomPath;
	}
	let { date, room }: Props = $props();

	function shifted(days: number): string {
		return new Date(Date.parse(`${date}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
	}
	function address(day: string) {
		return resolve(`/bake/${day}/${room}`);
	}
	async function pick(event: Event & { currentTarget: HTMLInputElement }) {
		// An emptied or half-typed date leaves everything as it is.
		if (event.currentTarget.value) await goto(address(event.currentTarget.value));
	}
</script>

<div class="flex items-center gap-1" role="group" aria-label="Bake date">
	<a class="step" href={address(shifted(-1))} aria-label="The day before">
		<ChevronLeft size={20} aria-hidden="true" />
	</a>
	<label class="flex items-center gap-2">
		<span class="font-bold whitespace-nowrap" data-bake-date={date}>{shortDateText(date)}</span>
		<input
			name="Bake date"
			class="field date-field"
			type="date"
			value={date}
			min="2000-01-01"
			max="2199-12-31"
			onchange={pick}
			aria-label="Bake date"
		/>
	</label>
	<a class="step" href={address(shifted(1))} aria-label="The day after">
		<ChevronRight size={20} aria-hidden="true" />
	</a>
</div>

<style>
	.step {
		display: grid;
		place-items: center;
		width: 36px;
		height: 36px;
	}
	/* The weekday says the date in words; of the field only its calendar is needed. */
	.date-field {
		width: 40px;
		min-height: 36px;
		color: transparent;
		padding: 0 8px;
	}
	.date-field::-webkit-datetime-edit {
		display: none;
	}
	.date-field:focus {
		width: 150px;
		color: var(--ink);
	}
	.date-field:focus::-webkit-datetime-edit {
		display: block;
	}
	@media (max-width: 600px) {
		.step,
		.date-field {
			width: 44px;
			height: 46px;
		}
	}
	@media (pointer: coarse) and (min-width: 601px) {
		.step,
		.date-field {
			min-width: 48px;
			min-height: 48px;
		}
	}
</style>
