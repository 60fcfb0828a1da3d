import { html, LitElement } from 'lit';

/** A custom element that takes part in its form. */
class NameField extends LitElement {
  static readonly formAssociated = true;
  static override readonly properties = { label: {}, name: { reflect: true } };
  declare label: string;
  declare name: string;
  private readonly internals = this.attachInternals();

  override render() {
    return html`<label>${this.label} <input @input=${this.typed} /></label>`;
  }

  private typed({ target }: Event) {
    this.internals.setFormValue((target as HTMLInputElement).value);
  }
}
customElements.define('name-field', NameField);

const root = document.getElementById('root') as HTMLElement;
root.innerHTML =
  '<form action="/register" method="post"><name-field name="boat" label="Name of the boat"></name-field><label>Harbour <input name="harbour"></label><button>Register</button></form>';
