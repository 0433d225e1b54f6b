import { Catalog } from '@warm-ladder/core/repertoire';
import { reviewClass } from '@warm-ladder/core/review';
import { demoBundle } from '../demo';

/** One review with nothing kept, in a process of its own: prints the milliseconds of CPU it took. */
const bundle = demoBundle();
const plan = bundle.classes?.find(({ id }) => id === 'choir-first-draft');
if (!plan) throw new Error('the faulty class is not in the demo');
const audience = bundle.audiences?.find(({ id }) => id === plan.audience);
const before = process.cpuUsage();
const { findings } = reviewClass(new Catalog({ ...bundle, exercises: bundle.exercises ?? [] }), plan, { audience });
const { user, system } = process.cpuUsage(before);
if (findings.length === 0) throw new Error('the faulty class has no findings');
console.log((user + system) / 1000);
