export { inVersion1 } from './cases/version1';
export { demoBundle, demoFiles } from './demo';
export { runs, sampled } from './runs';
export { block, bundleOf, catalogOf, classOf, EXERCISES, exercise, must, PROPS, rung } from './studio';
