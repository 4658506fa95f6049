/** What is wrong with a plan, one kind for each kind of constraint. */
export type Violation =
	TaskViolation | LagViolation | PoolViolation | MachineViolation | LoadViolation;

type TaskViolation =
	| { readonly kind: 'task-missing' | 'task-unknown' | 'task-twice'; readonly task: string }
	| { readonly kind: 'mode-unknown'; readonly task: string; readonly mode: string }
	| {
			readonly kind: 'outside-horizon';
			readonly task: string;
			readonly start: number;
			readonly end: number;
	  }
	| {
			readonly kind: 'length-wrong';
			readonly task: string;
			readonly end: number;
			readonly expected: number;
	  }
	| {
			readonly kind: 'too-early';
			readonly task: string;
			readonly start: number;
			readonly earliest: number;
	  }
	| {
			readonly kind: 'too-late';
			readonly task: string;
			readonly start: number;
			readonly latest: number;
	  }
	| { readonly kind: 'pin-moved'; readonly task: string; readonly of: 'start' | 'mode' | 'unit' };

type LagViolation =
	| {
			readonly kind: 'lag-too-short';
			readonly lag: string;
			readonly is: number;
			readonly least: number;
	  }
	| {
			readonly kind: 'lag-too-long';
			readonly lag: string;
			readonly is: number;
			readonly most: number;
	  }
	| { readonly kind: 'modes-forbidden'; readonly lag: string };

type PoolViolation =
	| { readonly kind: 'demand-unmet'; readonly task: string; readonly demand: number }
	| {
			readonly kind: 'pool-overdrawn';
			readonly pool: string;
			readonly from: number;
			readonly to: number;
			readonly over: number;
	  };

type MachineViolation =
	| {
			readonly kind: 'size-unfit';
			readonly task: string;
			readonly machine: string;
			readonly size: number;
	  }
	| { readonly kind: 'machine-closed'; readonly task: string; readonly machine: string }
	| {
			readonly kind: 'machine-overlap';
			readonly machine: string;
			readonly first: string;
			readonly second: string;
	  }
	| {
			readonly kind: 'changeover-short';
			readonly machine: string;
			readonly first: string;
			readonly second: string;
			readonly least: number;
	  };

type LoadViolation =
	| { readonly kind: 'unit-wrong'; readonly task: string; readonly unit: string | null }
	| { readonly kind: 'load-missing' | 'load-wrong'; readonly unit: string; readonly start: number }
	| {
			readonly kind: 'load-overfull';
			readonly unit: string;
			readonly start: number;
			readonly size: number;
			readonly capacity: number;
	  }
	| {
			readonly kind: 'load-mixed';
			readonly unit: string;
			readonly start: number;
			readonly first: string;
			readonly second: string;
			readonly by: 'kind' | 'level' | 'length';
	  }
	| {
			readonly kind: 'load-unattended';
			readonly unit: string;
			readonly start: number;
			readonly demand: number;
	  }
	| {
			readonly kind: 'loads-too-close';
			readonly unit: string;
			readonly first: number;
			readonly second: number;
			readonly least: number;
	  }
	| {
			readonly kind: 'levels-clash';
			readonly machine: string;
			readonly first: string;
			readonly second: string;
	  };
