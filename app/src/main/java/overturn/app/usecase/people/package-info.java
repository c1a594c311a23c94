/** Signing in, handing over, and looking after people, tablets and tokens. */
package overturn.app.usecase.people;
