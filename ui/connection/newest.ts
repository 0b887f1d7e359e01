import { refusalText } from '@/core/messages/refusal';
import { mayPass, tell } from './ask';

/** Milliseconds after which what was not taken is told again. */
const AGAIN_AFTER = 4000;

/** What became of the newest message. */
export type Told<Message> =
  | { readonly state: 'on its way' }
  /**
   * It is told again by itself: there is no connection, or the server says why it cannot take it now, as to whoever has to
   * sign in.
   */
  | { readonly state: 'waiting'; readonly why?: string }
  | { readonly state: 'taken'; readonly message: Message }
  | { readonly state: 'refused'; readonly why: string | undefined };

/**
 * Tells an address of the server messages of which only the newest counts. One is under way at a time, so that an older
 * one never comes in after a newer; what meets no connection is told again until it is taken, refused or overtaken.
 */
export class Newest<Message> {
  private isBusy = false;
  private isClosed = false;
  private wanted: { readonly message: Message } | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly address: string,
    private readonly onTold: (told: Told<Message>) => void,
  ) {}

  tell(message: Message): void {
    this.wanted = { message };
    this.onTold({ state: 'on its way' });
    void this.send();
  }

  /** Tells what waits at once: the connection may be back. */
  readonly tryAgain = (): void => void this.send();

  /** Ends telling again; what is under way ends by itself. */
  close(): void {
    this.isClosed = true;
    clearTimeout(this.timer);
  }

  private async send(): Promise<void> {
    const { wanted } = this;
    if (!wanted || this.isBusy) return;
    clearTimeout(this.timer);
    this.isBusy = true;
    const told = await this.try(wanted.message);
    this.isBusy = false;
    if (this.wanted !== wanted) return this.send();
    if (told.state !== 'waiting') this.wanted = undefined;
    if (this.isClosed) return;
    if (told.state === 'waiting') this.timer = setTimeout(this.tryAgain, AGAIN_AFTER);
    this.onTold(told);
  }

  private async try(message: Message): Promise<Told<Message>> {
    const answer = await tell(this.address, 'PUT', message).catch(() => undefined);
    if (!answer) return { state: 'waiting' };
    if (answer.ok) return { state: 'taken', message };
    const why = refusalText(await answer.json().catch(() => undefined));
    if (!mayPass(answer.status)) return { state: 'refused', why };
    return { state: 'waiting', ...(why === undefined ? {} : { why }) };
  }
}
