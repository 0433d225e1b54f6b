/** Stands wherever a class, a script or an export can be followed by a person. */
export const GENERAL_ADVICE =
  'General movement education, not medical advice. Follow your local rules and the scope of your licence; ' +
  'clear doubts with a doctor, midwife or physiotherapist. ' +
  'Pain, dizziness, leaking, bulging or numbness means stop.';
