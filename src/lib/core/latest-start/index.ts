export type { Problem, Task, Link, Deadline, Placement } from './problem.ts';
export { placeLatest, type PlaceFailure, type PlaceProgress } from './place-latest.ts';
export { assignMachines } from './assign-machines.ts';
export { checkPlan, type Violation, type Caution } from './check-plan.ts';
