/** What a person may do in a kitchen. There is one person until there are accounts: whoever sits at the machine owns its kitchen. A reader reads what is published. */
export type Role = 'owner' | 'reader';

/** In what a piece of work is done: which kitchen, who asks for it, and as what. Handed down to whatever reads or writes; jobs carry theirs. */
export interface Scope {
  readonly kitchenId: string;
  readonly person: string;
  readonly role: Role;
}
