// The order the run asked for: the nearest test first.
const { readFileSync } = require('node:fs');
const Sequencer = require('@jest/test-sequencer').default;

module.exports = class MutantOrder extends Sequencer {
  sort(tests) {
    const wanted = JSON.parse(readFileSync(process.env.MUTANT_ORDER, 'utf8'));
    const place = (test) => wanted.findIndex((each) => test.path.endsWith(`/${each}`));
    return [...tests].sort((one, other) => place(one) - place(other));
  }
};
