/** Instruments are announced, registered with a zero check, and listened to. */
package overturn.app.usecase.instrument;
