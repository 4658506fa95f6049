/** One of many, as a box of choices offers it. */
export interface ChoiceOption {
	readonly value: string;
	readonly label: string;
	/** Said beside it, smaller. */
	readonly note?: string;
}

export interface ChoiceProps {
	/** What is chosen, for those who hear it. */
	label: string;
	options: readonly ChoiceOption[];
	value: string;
	/** Shown while nothing is chosen. */
	placeholder?: string;
	onSet: (value: string) => void;
}
