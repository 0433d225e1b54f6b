import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface DeskState {
  /** The class worked at last: what is shown “on the open class” elsewhere is shown on it. */
  readonly lastClass: string | null;
}

const slice = createSlice({
  name: 'desk',
  initialState: { lastClass: null } as DeskState,
  reducers: {
    classOpened: (state, { payload }: PayloadAction<string>) => ({ ...state, lastClass: payload }),
  },
});

export const deskReducer = slice.reducer;
export const { classOpened } = slice.actions;
