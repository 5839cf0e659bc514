/** Names that are joined with one another, in groups that grow. */
export class Groups {
  private readonly parent = new Map<string, string>();

  /** The name that stands for the group of `name`: the same for all that are joined. */
  of(name: string): string {
    let at = name;
    for (let up = this.parent.get(at); up !== undefined; up = this.parent.get(at)) at = up;
    return at;
  }

  join(a: string, b: string): void {
    const [one, other] = [this.of(a), this.of(b)];
    if (one !== other) this.parent.set(one, other);
  }
}
