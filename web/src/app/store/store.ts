import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { deskReducer } from './deskState';
import { studioReducer } from './studio';

export const store = configureStore({
  reducer: { studio: studioReducer, desk: deskReducer },
  // Every edit makes new objects by hand; walking a whole studio at each keystroke to prove it would be felt.
  middleware: (defaults) => defaults({ immutableCheck: false, serializableCheck: false }),
});

export type AppStore = typeof store;
export type RootState = ReturnType<AppStore['getState']>;
export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>();
export const useAppStore = useStore.withTypes<AppStore>();
export const useAppSelector = useSelector.withTypes<RootState>();
