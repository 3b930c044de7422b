/** JSON that a thread has made, sent on as it is. */
export class JsonText<Made> {
  constructor(readonly text: string) {}
  declare readonly of: Made;
}
