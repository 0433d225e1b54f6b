export * from './captions';
export * from './chapters';
export * from './document';
export * from './handout';
export * from './markdown';
export * from './planCsv';
export * from './seriesHandouts';
export * from './spokenClass';
