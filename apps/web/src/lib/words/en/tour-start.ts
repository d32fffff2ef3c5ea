/** The button that begins the way through the demo; its stops are fetched when somebody goes. */

export const tourWords = { start: 'Show me round the demo' };
