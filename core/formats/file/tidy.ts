/** Six decimals: sums of decimal seconds otherwise end in the noise of binary fractions. */
export function tidy<T>(value: T): T {
  return JSON.parse(
    JSON.stringify(value, (_key, each) => (typeof each === 'number' ? Math.round(each * 1e6) / 1e6 : each)),
  ) as T;
}
