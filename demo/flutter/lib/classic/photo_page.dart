import 'package:flutter/material.dart';

class PhotoPage extends StatelessWidget {
  const PhotoPage({super.key, required this.url});

  final String url;

  @override
  Widget build(BuildContext context) => Scaffold(body: Image.asset(url));
}
