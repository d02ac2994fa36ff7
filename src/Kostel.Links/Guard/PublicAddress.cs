using System.Net;
using System.Net.Sockets;

namespace Kostel.Links.Guard;

/// <summary>Tells addresses of the open network from those of this computer, of its own network, and of special use.</summary>
/// <remarks>IANA IPv4 and IPv6 Special-Purpose Address Registries (RFC 6890 and updates).</remarks>
public static class PublicAddress
{
    private static readonly IPNetwork[] Special = [.. new[]
    {
        "0.0.0.0/8", "10.0.0.0/8", "100.64.0.0/10", "127.0.0.0/8", "169.254.0.0/16", "172.16.0.0/12", "192.0.0.0/24", "192.0.2.0/24", "192.88.99.0/24",
        "192.168.0.0/16", "198.18.0.0/15", "198.51.100.0/24", "203.0.113.0/24", "224.0.0.0/4", "240.0.0.0/4",
        "::/127", "64:ff9b:1::/48", "100::/64", "2001::/23", "2001:db8::/32", "3fff::/20", "5f00::/16", "fc00::/7", "fe80::/10", "fec0::/10", "ff00::/8",
    }.Select(IPNetwork.Parse)];

    /// <summary>IPv6 addresses that carry an IPv4 address, and where in their bytes.</summary>
    private static readonly (IPNetwork Network, int At)[] Carriers =
        [(IPNetwork.Parse("::/96"), 12), (IPNetwork.Parse("64:ff9b::/96"), 12), (IPNetwork.Parse("2002::/16"), 2)];

    /// <summary>Whether something that anybody on the net may reach can be there.</summary>
    public static bool IsPublic(IPAddress address)
    {
        if (address.IsIPv4MappedToIPv6)
        {
            return IsPublic(address.MapToIPv4());
        }

        if (Special.Any(n => n.BaseAddress.AddressFamily == address.AddressFamily && n.Contains(address)))
        {
            return false;
        }

        if (address.AddressFamily != AddressFamily.InterNetworkV6)
        {
            return address.AddressFamily == AddressFamily.InterNetwork;
        }

        foreach (var (network, at) in Carriers)
        {
            if (network.Contains(address))
            {
                return IsPublic(new IPAddress(address.GetAddressBytes().AsSpan(at, 4)));
            }
        }

        return true;
    }
}
