import { router, type Href } from 'expo-router';

/** What a Back button does: to where one came from, or, where the page was opened by its address, to that place. */
export const backOr = (place: Href) => () => (router.canGoBack() ? router.back() : router.replace(place));
