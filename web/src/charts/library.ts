import { CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use, type ECharts } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([
  ...[LineChart, ScatterChart, CustomChart, SVGRenderer],
  ...[GridComponent, TooltipComponent, LegendComponent, MarkLineComponent, AriaComponent],
]);

/** Begins a drawing at a place; only what the charts here need of the library is loaded. */
export const begin = (place: HTMLElement): ECharts => init(place, undefined, { renderer: 'svg' });
