import { Chart } from 'chart.js'

/** A canvas inherits no face: charts have the page's, in the smallest size that is read. */
Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
Chart.defaults.font.size = 13
