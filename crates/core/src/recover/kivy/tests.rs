//! Kivy as apps write it.
