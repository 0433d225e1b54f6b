export { type Search, shareOf, type Tried, tryOut } from './aims';
export * from './briefSchema';
export { strayFrom } from './orders';
export * from './propose';
export * from './proposeSeries';
export { type Chance, chanceOf } from './random';
export { anneal } from './search';
export * from './seriesBriefSchema';
