export { conditionsOf, passes } from './cautionRules';
export * from './clock';
export * from './earlier';
export * from './finding';
export * from './reviewClass';
export * from './reviewSeries';
