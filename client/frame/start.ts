/**
 * Where the app starts: what its first screen needs is run piece by piece. In one go, as the router's own start does it, that takes a slow
 * phone a second, in which it answers no tap.
 */
/* oxlint-disable typescript/no-require-imports -- Modules that are only to be run: an import without a name runs at once. */
import '@expo/metro-runtime';
import { whoAtStart } from './access/useWho';
import { asksAhead } from '../season/askAhead';
import { api } from '../store/api';
import { store } from '../store/store';
import { inPieces } from '../ui/inPieces';
import { Page } from '../ui/Page';
import { lightTheme } from '../ui/theme';

/** `/` is `/season` by now: see public/look.js. */
const isForThisWeek = () => location.pathname === '/season' && whoAtStart() === 'coach';

/** A module is run when something of it is asked for, and not before: see metro.config.js. What takes long stands by itself. */
function* pieces(): Generator<() => unknown> {
  yield () => require('react-dom/client');
  yield () => require('react-native-web/dist/exports/StyleSheet');
  yield () => require('react-native-web/dist/exports/View');
  yield () => require('@reduxjs/toolkit/query/react');
  yield () => api;
  yield () => store;
  if (isForThisWeek()) yield* asksAhead();
  yield () => require('react-native-web/dist/exports/Text');
  yield () => require('react-native-web/dist/exports/Pressable');
  yield () => require('react-native-web/dist/exports/Animated');
  yield () => require('expo-router');
  yield () => require('expo-router/build/react-navigation/core/useNavigationBuilder');
  yield () => require('expo-router/build/react-navigation/native');
  yield () => lightTheme;
  yield () => require('react-native-paper/lib/module/core/PaperProvider');
  yield () => require('react-native-paper/lib/module/components/Button/Button');
  yield () => require('react-native-paper/lib/module/components/IconButton/IconButton');
  yield () => Page;
  yield () => require('expo-router/entry');
}

void inPieces(pieces());
