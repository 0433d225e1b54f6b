import { studioOf } from '../formats';
import { timeClass } from '../plan';
import { conditionsOf } from '../review';
import { draftScript } from '../script';
import { propose } from '../sequence';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { reviewVoice, voiceOf } from '.';

const studio = studioOf(demoBundle(), {});
const { catalog } = studio;

test.each(['choir', 'rowers', 'night-shift'])(
  'a class fresh from the sequencer for %s has nothing grave in what is said',
  (id) => {
    const { proposals } = propose(studio, { minutes: 30, audience: id, proposals: 1 }, '2026-11-28');
    const { plan } = must(proposals[0]);
    const audience = studio.audienceOf(id);
    const conditions = conditionsOf(plan, audience);
    const timed = timeClass(catalog, plan, { audience });
    const voice = voiceOf(catalog, timed, draftScript(catalog, timed, { conditions }), { conditions, audience });
    expect(reviewVoice(voice).filter(({ severity }) => severity === 'fix')).toEqual([]);
  },
);
