export const LEVELS = ['beginner', 'improver', 'advanced'] as const;

/** What a class is for; rules of the review speak only where it gives them sense. */
export const PURPOSES = ['class', 'drill', 'lesson', 'workshop'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What each purpose is called. */
export const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
  class: 'A whole class',
  drill: 'A drill on one thing',
  lesson: 'A lesson on one exercise',
  workshop: 'A workshop',
};

export const MODES = ['teach', 'flow', 'show'] as const;

export const INTERLUDES = ['talk', 'check', 'recover'] as const;
export type InterludeKind = (typeof INTERLUDES)[number];

/** What each kind of interlude is called. */
export const INTERLUDE_WORDS: Readonly<Record<InterludeKind, string>> = {
  talk: 'Talk',
  check: 'Self-check',
  recover: 'Small rest',
};
