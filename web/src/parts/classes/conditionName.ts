import { CONDITIONS, type Condition } from '@warm-ladder/core/caution';

/** The name of a condition within a sentence. @example conditionName('wrist') // 'wrist trouble' */
export const conditionName = (condition: Condition): string => {
  const { name } = CONDITIONS[condition];
  return name.charAt(0).toLowerCase() + name.slice(1);
};
