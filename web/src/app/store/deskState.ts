import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Something that was done and can be undone, said for a while. */
export interface Notice {
  readonly text: string;
}

/** Which way one would go, where what comes next was done on another page. */
export type Way = 'back' | 'forward';

interface DeskState {
  /** The class worked at last: what is shown “on the open class” elsewhere is shown on it. */
  readonly lastClass: string | null;
  readonly notice: Notice | null;
  /** Asked before something is undone or redone that is nowhere on this page. */
  readonly asked: Way | null;
}

const EMPTY: DeskState = { lastClass: null, notice: null, asked: null };

const desk = createSlice({
  name: 'desk',
  initialState: EMPTY,
  reducers: {
    classOpened: (state, { payload }: PayloadAction<string>) => ({ ...state, lastClass: payload }),
    noticed: (state, { payload }: PayloadAction<Notice | null>) => ({ ...state, notice: payload }),
    askedElsewhere: (state, { payload }: PayloadAction<Way | null>) => ({ ...state, asked: payload }),
  },
});

export const { classOpened, noticed, askedElsewhere } = desk.actions;
export const deskReducer = desk.reducer;
