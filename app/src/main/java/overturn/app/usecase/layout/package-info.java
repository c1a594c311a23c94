/** Layouts made ready: checked, saved, their suspects and forecasts worked out. */
package overturn.app.usecase.layout;
