// Tells the run that started Jest what happens, a line of JSON each.
const say = (told) => process.stdout.write(`\u0001${JSON.stringify(told)}\n`);
const ROOT = `${process.cwd()}/`;
const nameOf = (path) => path.replace(ROOT, '');

export default class MutantReporter {
  onTestFileStart(test) {
    say({ begins: nameOf(test.path) });
  }
  onTestCaseResult(test, result) {
    if (result.status === 'failed') say({ red: nameOf(test.path), name: result.fullName });
  }
  onTestFileResult(test, result) {
    if (result.testExecError || result.numFailingTests > 0)
      say({ red: nameOf(test.path), name: 'the file as a whole' });
    else say({ green: nameOf(test.path) });
  }
}
