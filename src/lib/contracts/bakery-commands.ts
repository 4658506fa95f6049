import { z } from 'zod';
import { ICE_FORMS } from '../core/heat/index.ts';

/** What taps, chiller and ice can give; as they stand together they are saved together. */
export const setSupply = {
	kind: z.literal('set-supply'),
	iceForm: z.enum(ICE_FORMS),
	iceMostShare: z.number().min(0).max(1),
	iceCelsius: z.number().min(-40).max(0),
	/** null where there is no chiller. */
	chilledCelsius: z.number().min(0).max(20).nullable(),
	hotTapCelsius: z.number().min(20).max(95),
	hottestWaterCelsius: z.number().min(20).max(60),
	expectedVersion: z.int().min(0)
};

export const setUnits = {
	kind: z.literal('set-units'),
	mass: z.enum(['metric', 'imperial']),
	temperature: z.enum(['celsius', 'fahrenheit'])
};

export const saveRetarder = {
	kind: z.literal('save-retarder'),
	retarderId: z.uuid(),
	name: z.string().trim().min(1).max(200),
	setCelsius: z.number().min(-10).max(20),
	compressorWatts: z.number().positive().max(100_000),
	airKilojoulesPerKelvin: z.number().positive().max(10_000),
	wallsWattsPerKelvin: z.number().min(0).max(1000)
};
