export const root: string;
export const stateFolder: string;
export const databaseFile: string;
