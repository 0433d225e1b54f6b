export * from './captions';
export * from './document';
export * from './handout';
export * from './markdown';
export * from './planCsv';
export * from './spokenClass';
