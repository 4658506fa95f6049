/** The columns that are written, and what else each may be called in a file of somebody else. */
export const COLUMNS = {
	formula: ['Formula', 'recipe', 'dough', 'name of formula'],
	stage: ['Stage', 'part', 'pre-ferment', 'preferment', 'step'],
	stageKind: ['Kind of stage', 'stage kind'],
	ingredient: ['Ingredient', 'material', 'item', 'what', 'name'],
	percent: ['Percent', '%', "baker's percent", "baker's %", 'bakers %', 'baker percent'],
	amount: ['Amount', 'weight', 'quantity', 'how much', 'qty'],
	unit: ['Unit', 'units', 'measure'],
	when: ['When', 'added', 'addition'],
	target: [
		'Dough temperature (°C)',
		'dough temp',
		'temperature of the dough',
		'target temperature',
		'wanted temperature'
	]
} as const;
export type Column = keyof typeof COLUMNS;
