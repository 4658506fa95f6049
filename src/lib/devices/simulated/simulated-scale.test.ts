import { scaleAcceptance } from '../acceptance/scale-acceptance.ts';
import { startSimulatedScale } from './simulated-scale.ts';

scaleAcceptance('the simulated scale', (access) =>
	startSimulatedScale({ ...access, divisionGrams: 1, onTrouble: () => undefined })
);
