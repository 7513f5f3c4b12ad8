export 'src/repairs_host.dart' show RepairsHost;
