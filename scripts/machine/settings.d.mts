interface Settings {
  readonly DIDAKTOR_HOST: string;
  readonly DIDAKTOR_PORT: number;
  readonly DIDAKTOR_URL?: string;
  readonly DATABASE_URL?: string;
  readonly DIDAKTOR_WORKERS: number;
  readonly DIDAKTOR_PROXIES: readonly string[];
  readonly DIDAKTOR_UPLOAD_MB: number;
  readonly DIDAKTOR_HOURS?: string;
  readonly LOG_LEVEL: string;
}
export declare const settings: Readonly<
  Record<keyof Settings, { readonly otherwise: string | undefined; readonly note: string }>
>;
export declare function readSettings(environment: Readonly<Record<string, string | undefined>>): Settings;
