// It says how parts that come later are fetched.
import 'expo';
import './src/pages/early';
import 'expo-router/entry';
