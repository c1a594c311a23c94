/** Practice: exercises on a hidden vehicle that answers back. */
package overturn.app.usecase.practice;
