export { type Habits, habitsSchema } from './habitsSchema';
export { type Spoken, speak } from './speak';
