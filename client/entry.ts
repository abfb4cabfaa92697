// Hears of the browser's back and forward first, so it stands before the router.
import './ui/historyMove';
import 'expo-router/entry';
