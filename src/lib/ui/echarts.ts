import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { init, use, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([LineChart, ScatterChart, GridComponent, LegendComponent, SVGRenderer]);

/** Starts a chart in a place of the page. */
export function startChart(place: HTMLElement): EChartsType {
	return init(place, null, { renderer: 'svg' });
}
