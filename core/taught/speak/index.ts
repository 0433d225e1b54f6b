export { type Habits, habitsSchema } from './habitsSchema';
export * from './speak';
